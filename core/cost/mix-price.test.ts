import { expect, it } from 'vitest';
import { ingredient } from '../testing/recipe.ts';
import { mixPrice } from './mix-price.ts';

const shelf = [
	ingredient('flour', { price: { amount: '24.00', grams: 24000 } }),
	ingredient('milk', { price: { amount: '9.00', grams: 1000, usable: 0.9 } }),
	ingredient('powder', { price: { amount: '1.00', grams: 100 } }),
	ingredient('loose')
];
const ingredientOf = (id: string) => shelf.find((each) => each.id === id) ?? ingredient(id);
const mix = [
	{ ingredient: 'milk', grams: 100 },
	{ ingredient: 'flour', grams: 880 },
	{ ingredient: 'powder', grams: 20 }
];

it('a mix costs what its parts cost', () => {
	const { price } = mixPrice(mix, ingredientOf);
	// 880 · 24/24000 + 100 · 9/(1000·0.9) + 20 · 1/100 = 0.88 + 1.00 + 0.20
	expect(Number(price?.amount)).toBeCloseTo(2.08, 12);
	expect(price).toMatchObject({ grams: 1000, usable: 1 });
});

it('has no price while a part has none, and names it', () => {
	const more = [...mix, { ingredient: 'loose', grams: 1 }];
	expect(mixPrice(more, ingredientOf)).toEqual({ price: null, unpriced: ['loose'] });
	// A line without grams costs nothing.
	expect(mixPrice([...mix, { ingredient: 'loose', grams: 0 }], ingredientOf).unpriced).toEqual([]);
});
