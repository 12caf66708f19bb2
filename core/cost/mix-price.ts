import type { MixLine } from '../formula/mix.ts';
import type { Ingredient, Price } from '../formula/types.ts';
import { pricePerUsableGram } from './cost.ts';
import { Money } from './money.ts';

/**
 * What a mix of the maker's own costs by what its lines cost; null while any of them has no price, and which
 * those are.
 */
export function mixPrice(
	lines: readonly MixLine[],
	ingredientOf: (id: string) => Ingredient
): { price: Price | null; unpriced: string[] } {
	const present = lines.filter((line) => line.grams > 0);
	const unpriced = [...new Set(present.map((line) => line.ingredient))].filter(
		(id) => !ingredientOf(id).price
	);
	if (unpriced.length > 0 || present.length === 0) return { price: null, unpriced };
	let [amount, grams] = [new Money(0), 0];
	for (const line of present) {
		const { price } = ingredientOf(line.ingredient);
		if (price) amount = amount.plus(pricePerUsableGram(price).times(line.grams));
		grams += line.grams;
	}
	return { price: { amount: amount.toFixed(12), grams, usable: 1 }, unpriced };
}
