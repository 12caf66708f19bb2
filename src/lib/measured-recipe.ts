import type { Line, Recipe, Use } from '$core/formula/types.ts';

/** What stands of a line once it is weighed; `uptake_g` null leaves it to the core's assumption. */
export interface MeasuredLine {
	ingredient: string;
	use: Use;
	stage: string;
	/** Weighed in, or consumed. */
	grams: number;
	uptake_g: number | null;
}

/** What was measured of a batch, as a recipe takes it. */
export interface MeasuredBatch {
	lines: MeasuredLine[];
	ballWeight_g: number;
	ballCount: number | null;
	rejects: number;
	servingPieces: number | null;
	doughWeight_g: number | null;
	ballWeights_g: number[];
	finishedWeights_g: number[];
}

/** The recipe of a batch with these measurements in the place of its own. */
export function measuredRecipe(recipe: Recipe, measured: MeasuredBatch): Recipe {
	const { count: _before, ...piece } = recipe.piece;
	return {
		...recipe,
		formula: { ...recipe.formula, lines: measured.lines.map(coreLine) },
		piece: {
			...piece,
			ballWeight_g: measured.ballWeight_g,
			...(measured.ballCount === null ? {} : { count: measured.ballCount })
		},
		batch: {
			mixGap: recipe.batch?.mixGap ?? 'residue',
			...(measured.doughWeight_g === null ? {} : { doughWeight_g: measured.doughWeight_g }),
			...(measured.ballWeights_g.length > 0 ? { ballWeights_g: measured.ballWeights_g } : {}),
			...(measured.finishedWeights_g.length > 0 ? { finishedWeights_g: measured.finishedWeights_g } : {}),
			rejects: measured.rejects,
			...(measured.servingPieces === null ? {} : { servingPieces: measured.servingPieces })
		}
	};
}

function coreLine({ ingredient, use, stage, grams, uptake_g }: MeasuredLine): Line {
	const common = { ingredient, ...(stage ? { stage } : {}) };
	if (use === 'dough') return { ...common, use, grams };
	return { ...common, use, consumed_g: grams, ...(uptake_g === null ? {} : { uptake_g }) };
}
