import { expect, it } from 'vitest';
import { remaining, shortPrice } from './short-packs.ts';

it.each([
	['6.00', 3, 5, '3.60'], // 6.00 · 3 ÷ 5
	['6.50', 1, 8, '0.81'], // 0.8125
	['6.60', 5, 8, '4.13'], // 4.125, half up
	['7.00', 4, 4, '7.00']
])('a pack of %s: %d of %d pieces cost %s', (price, pieces, packPieces, cost) => {
	expect(shortPrice(price, pieces, packPieces)).toBe(cost);
});

it('what is gone is gone once, and only what was made', () => {
	expect(remaining([3, 2, 3], [3])).toEqual([2, 3]);
	expect(remaining([3, 2, 3], [3, 3, 2])).toEqual([]);
	expect(remaining([2], [5])).toEqual([2]);
});
