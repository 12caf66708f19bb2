import { expect, it } from 'vitest';
import { shortPrice } from './short-price.ts';

it.each([
	['6.00', 3, 5, '3.60'], // 6.00 · 3 ÷ 5
	['6.50', 1, 8, '0.81'], // 0.8125
	['6.60', 5, 8, '4.13'], // 4.125, half up
	['7.00', 4, 4, '7.00']
])('a pack of %s: %d of %d pieces cost %s', (price, pieces, packPieces, cost) => {
	expect(shortPrice(price, pieces, packPieces)).toBe(cost);
});
