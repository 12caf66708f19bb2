import { roundTo, settled, sumOf } from '../measure/round.ts';
import { doughMass_g, isDough, type Ingredient, type Line } from './types.ts';

/** What a formula is scaled by: any quantity it holds (computation, section 3). */
export type ScaleTarget =
	| { by: 'factor'; factor: number }
	| { by: 'flour'; grams: number }
	| { by: 'dough'; grams: number }
	| { by: 'pieces'; pieces: number; ballWeight_g: number }
	/** `share` of the dough reaches the packs; all of it where nothing is said. */
	| { by: 'packs'; packs: number; packPieces: number; ballWeight_g: number; share?: number }
	/** All of an ingredient that is on hand, wherever the formula uses it. */
	| { by: 'ingredient'; ingredient: string; grams: number };

const ratio = (wanted: number, held: number) => (held > 0 && wanted > 0 ? wanted / held : null);

/**
 * The factor by which `dough_g` gives so many packs, when `share` of it reaches them: the rest stays in the
 * bowl, is left over or rejected. Null when there is no dough.
 */
export function packsFactor(
	dough_g: number,
	wanted: { packs: number; packPieces: number; ballWeight_g: number; share?: number }
): number | null {
	return ratio(wanted.packs * wanted.packPieces * wanted.ballWeight_g, dough_g * (wanted.share ?? 1));
}

/** The factor a target asks for; null when the formula holds nothing of what it is scaled by. */
export function scaleFactor(
	lines: readonly Line[],
	ingredientOf: (id: string) => Ingredient,
	target: ScaleTarget
): number | null {
	const dough_g = doughMass_g(lines);
	switch (target.by) {
		case 'factor':
			return target.factor > 0 ? target.factor : null;
		case 'flour':
			return ratio(
				target.grams,
				sumOf(lines, (line) =>
					isDough(line) && ingredientOf(line.ingredient).kind === 'flour' ? line.used_g : 0
				)
			);
		case 'dough':
			return ratio(target.grams, dough_g);
		case 'pieces':
			return ratio(target.pieces * target.ballWeight_g, dough_g);
		case 'packs':
			return packsFactor(dough_g, target);
		case 'ingredient':
			return ratio(
				target.grams,
				sumOf(lines, (line) => (line.ingredient === target.ingredient ? line.used_g : 0))
			);
	}
}

/** Every mass of the lines times the same factor, exactly; no percentage changes. */
export function scaleLines(lines: readonly Line[], factor: number): Line[] {
	return lines.map((line) => ({
		...line,
		used_g: line.used_g * factor,
		uptake_g: line.uptake_g === null ? null : line.uptake_g * factor
	}));
}

/** A line's grams as a scale can show them, and what that changes. */
export interface ScaledLine {
	exact_g: number;
	/** To the scale's division; never none of what there is some of. */
	shown_g: number;
	error_g: number;
	/** Error as a share of the exact grams; 0 of nothing. */
	errorShare: number;
}

/** Grams as a scale of steps of `division_g` can show them; never none of what there is some of. */
export function onScale_g(exact_g: number, division_g: number): number {
	const nearest = roundTo(exact_g, division_g);
	return nearest === 0 && exact_g > 0 ? division_g : nearest;
}

/** Each line's grams rounded to what the kitchen's scale can show, with the error per line. */
export function shownOnScale(lines: readonly Line[], division_g: number): ScaledLine[] {
	return lines.map((line) => {
		const exact_g = line.used_g;
		const shown_g = onScale_g(exact_g, division_g);
		const error_g = settled(shown_g - exact_g);
		return { exact_g, shown_g, error_g, errorShare: exact_g > 0 ? error_g / exact_g : 0 };
	});
}
