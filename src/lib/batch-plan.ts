import type { Line, Recipe } from '$core/formula/types.ts';
import type { Batch, BatchLine } from './server/batches/types.ts';

/** The recipe of a batch as it was planned: planned lines, planned ball, nothing measured. */
export function plannedRecipe(batch: Pick<Batch, 'recipe' | 'lines' | 'ballWeight_g' | 'mixGap'>): Recipe {
	const { count: _made, ...piece } = batch.recipe.piece;
	return {
		...batch.recipe,
		formula: { ...batch.recipe.formula, lines: batch.lines.map(plannedLine) },
		piece: { ...piece, ballWeight_g: batch.ballWeight_g },
		batch: { mixGap: batch.mixGap }
	};
}

function plannedLine(line: BatchLine): Line {
	const common = { ingredient: line.ingredient, ...(line.stage ? { stage: line.stage } : {}) };
	if (line.use === 'dough') return { ...common, use: 'dough', grams: line.planned_g };
	return { ...common, use: line.use, consumed_g: line.planned_g, uptake_g: line.plannedUptake_g ?? 0 };
}
