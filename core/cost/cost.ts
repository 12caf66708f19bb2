import { Decimal } from 'decimal.js';
import type { Ingredient, Line, Pack, Price } from '../formula/types.ts';

// Enough digits that a batch's total is exact before it is rounded for printing.
const Money = Decimal.clone({ precision: 60, rounding: Decimal.ROUND_HALF_UP });

/** What a batch cost, as decimal strings in the file's currency; null when nothing can be said. */
export interface Cost {
	batch: string | null;
	perPiece: string | null;
	perPack: string | null;
	/** Ids of ingredients used without a price, alphabetically: the figures leave them out. */
	unpriced: string[];
}

/** Price of one usable gram: pack price ÷ (pack grams × usable share) (section 11). */
export function pricePerUsableGram(price: Price): Decimal {
	return new Money(price.amount).div(new Money(price.grams).times(price.usable ?? 1));
}

/** Grams of a line that were used up: dough as weighed, surface materials as consumed. */
export function consumedOf_g(line: Line): number {
	return line.use === 'dough' ? line.grams : line.consumed_g;
}

/** Cost of each line, in line order; null where its ingredient has no price. */
export function lineCosts(
	lines: readonly Line[],
	ingredientOf: (id: string) => Ingredient
): (Decimal | null)[] {
	return lines.map((line) => {
		const price = ingredientOf(line.ingredient).price;
		return price ? pricePerUsableGram(price).times(consumedOf_g(line)) : null;
	});
}

/**
 * Ingredient cost of a batch, of one sellable piece and of one pack with its materials (section 11).
 * Rejects and residue are paid for by what can be sold.
 */
export function batchCost(
	lines: readonly Line[],
	ingredientOf: (id: string) => Ingredient,
	sellable: number,
	pack: Pack | undefined
): Cost {
	const used = lines.filter((line) => consumedOf_g(line) > 0);
	const unpriced = [...new Set(used.map((line) => line.ingredient))]
		.filter((id) => !ingredientOf(id).price)
		.sort();
	const priced = lineCosts(used, ingredientOf).filter((cost) => cost !== null);
	if (priced.length === 0) return { batch: null, perPiece: null, perPack: null, unpriced };
	const batch = priced.reduce((sum, cost) => sum.plus(cost), new Money(0));
	const perPiece = sellable > 0 ? batch.div(sellable) : null;
	const materials = (pack?.materials ?? []).reduce((sum, material) => sum.plus(material.cost), new Money(0));
	return {
		batch: batch.toFixed(4),
		perPiece: perPiece?.toFixed(4) ?? null,
		perPack: pack && perPiece ? perPiece.times(pack.pieces).plus(materials).toFixed(2) : null,
		unpriced
	};
}
