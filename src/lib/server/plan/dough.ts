import { asTaken } from '$core/formula/by-feel.ts';
import { isDough } from '$core/formula/types.ts';
import { sumOf } from '$core/measure/round.ts';
import type { AssembledMake } from '$core/planning/assemble.ts';
import type { TellingBatch } from '../../batch/summary.ts';
import type { Product } from '../../formula/product.ts';
import type { Formula, FormulaLine } from '../../formula/types.ts';
import { byFeelOf, usualYield } from '../batches/history.ts';

/** What a make of a plan is mixed of. */
export interface MakeDough {
	product: Product;
	/** The formula's lines, those by feel as its batches took them. */
	lines: FormulaLine[];
	/** So many times the formula: enough for the pieces, and for the packs by what of the dough reaches them here. */
	factor: number;
}

/** What a make is mixed of; null where it is not made here any more, or has no dough. */
export function doughOf(
	make: Pick<AssembledMake, 'wish' | 'pieces' | 'packs'>,
	formulas: readonly Formula[],
	recent: readonly TellingBatch[]
): MakeDough | null {
	const formula = formulas.find(({ products }) => products.some(({ id }) => id === make.wish));
	const product = formula?.products.find(({ id }) => id === make.wish);
	if (!formula || !product) return null;
	const batches = recent.filter((batch) => batch.formulaId === formula.id);
	const { lines } = asTaken(formula.lines, byFeelOf(batches));
	const dough_g = sumOf(lines.filter(isDough), ({ used_g }) => used_g);
	if (dough_g <= 0) return null;
	const needed_g = Math.max(
		make.pieces * product.ballWeight_g,
		(make.packs * product.packPieces * product.ballWeight_g) / (usualYield(batches) ?? 1)
	);
	return { product, lines, factor: needed_g / dough_g };
}
