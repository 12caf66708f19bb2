import { derive } from '../derive.ts';
import type { Facts } from '../facts.ts';
import { uptakeOf_g } from '../formula/surface.ts';
import { isDough, type Line, type Recipe } from '../formula/types.ts';
import type { Outcome } from '../problem.ts';
import { servingPiecesOf } from '../rules/declarations.ts';

/** What stays as it is while a formula is changed: pieces, loss, the dough’s mass, the serving, what is on the pieces. */
export interface Frame {
	recipe: Recipe;
	facts: Facts;
	pieces: number;
	/** Null while no finished piece was weighed. */
	cookLoss: number | null;
	/** Of all dough lines together. */
	doughMass_g: number;
	/** What a line’s share of a ball is taken of (section 5). */
	basis_g: number;
	servingPieces: number;
	/** Grams of each line now, as weighed in or used up. */
	now_g: number[];
	/** Of each surface line, grams on the pieces for each gram used up; of dough lines zero. */
	uptakes: number[];
}

/** The frame of a recipe; or why nothing can be derived from it. */
export function frameOf(recipe: Recipe): Outcome<Frame> {
	const outcome = derive(recipe);
	if (!outcome.ok) return outcome;
	const facts = outcome.value;
	const { doughMass_g, doughWeight_g, pieces, cookLoss } = facts.yield;
	const { lines, mixGap } = recipe.formula;
	return {
		ok: true,
		value: {
			recipe,
			facts,
			pieces,
			cookLoss,
			doughMass_g,
			basis_g: mixGap === 'evaporation' ? doughWeight_g : doughMass_g,
			servingPieces: servingPiecesOf(facts),
			now_g: lines.map((line) => line.used_g),
			uptakes: lines.map((line) => (isDough(line) || line.used_g === 0 ? 0 : uptakeOf_g(line) / line.used_g))
		}
	};
}

/** Grams on one piece of the surface lines, for so much used up of each. */
export function onPiece_g({ recipe, uptakes, pieces }: Frame, grams: readonly number[]): number {
	let sum = 0;
	for (const [at, line] of recipe.formula.lines.entries())
		if (!isDough(line)) sum += ((grams[at] ?? 0) * (uptakes[at] ?? 0)) / pieces;
	return sum;
}

/** The lines with other grams: uptake goes with what is used up. */
export function linesWith({ recipe, now_g, uptakes }: Frame, grams: readonly number[]): Line[] {
	return recipe.formula.lines.map((line, at) => {
		const used_g = grams[at] ?? 0;
		if (used_g === now_g[at]) return line;
		return { ...line, used_g, uptake_g: isDough(line) ? null : used_g * (uptakes[at] ?? 0) };
	});
}

/** The recipe with other grams and another ball; loss and pieces stay. */
export function recipeWith(frame: Frame, grams: readonly number[], ballWeight_g: number): Recipe {
	const { recipe, facts, pieces, cookLoss } = frame;
	const lines = linesWith(frame, grams);
	const formula = { ...recipe.formula, lines };
	const { yield: now } = facts;
	const isSameBall = ballWeight_g === now.ballWeight_g;
	const surface_g = onPiece_g(frame, grams);
	if (isSameBall && surface_g === onPiece_g(frame, frame.now_g)) return { ...recipe, formula };
	const finished_g = cookLoss === null ? [] : [(ballWeight_g + surface_g) * (1 - cookLoss)];
	const { doughWeight_g } = recipe.measured;
	const balls_g = pieces * ballWeight_g;
	return {
		...recipe,
		formula,
		product: { ...recipe.product, ballWeight_g, balls: null },
		measured: {
			...recipe.measured,
			// As many pieces of a heavier ball are made of more dough of the same make-up.
			doughWeight_g: balls_g > now.doughWeight_g ? balls_g : doughWeight_g,
			ballWeights_g: [],
			balls: pieces,
			finishedWeights_g: finished_g
		}
	};
}
