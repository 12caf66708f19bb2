import { describe, expect, it } from 'vitest';
import type { Line } from '../formula/types.ts';
import { dough, factsOf, flour, ingredient, recipe, surface, water } from '../testing/recipe.ts';

const tap = { ...water, price: { amount: '0', grams: 1000, usable: 1 } };
const packed = (more: Parameters<typeof recipe>[0] = {}) =>
	factsOf(recipe({ ingredients: [flour, tap], pack: { pieces: 6 }, ...more })).cost;

describe('ingredient cost', () => {
	it('is what the batch consumed', () => {
		// 1000 g at 24.00 / 24000 g = 1.0000; 32 pieces: 0.03125 → 0.0313; six: 0.1875 → 0.19
		expect(packed()).toEqual({ batch: '1.0000', perPiece: '0.0313', perPack: '0.19', unpriced: [] });
	});

	it('rejects are paid for by what can be sold', () => {
		// 1 / 30 = 0.0333
		expect(packed({ batch: { rejects: 2 } }).perPiece).toBe('0.0333');
	});

	it('surface materials cost what was used up, not what stayed on', () => {
		const lines: Line[] = [dough('flour', 1000), dough('water', 600), surface('flour', 'dusting', 100, 10)];
		expect(packed({ formula: { name: 'x', lines } }).batch).toBe('1.1000');
	});

	it('a usable share makes the usable gram dearer', () => {
		// 5.60 / (2270 · 0.86) · 1000 = 2.86856…
		const beet = ingredient('beet', { price: { amount: '5.60', grams: 2270, usable: 0.86 } });
		expect(
			packed({
				ingredients: [beet, tap],
				formula: { name: 'x', lines: [dough('beet', 1000), dough('water', 600)] },
				batch: {}
			}).batch
		).toBe('2.8686');
	});

	it('is exact where binary numbers are not', () => {
		// 0.1 + 0.2 per 1000 g, 1 g units: 0.15000000000000002 would be its binary sum
		const a = ingredient('a', { price: { amount: '0.1', grams: 1000 } });
		const b = ingredient('b', { price: { amount: '0.20005', grams: 1000 } });
		expect(
			packed({
				ingredients: [a, b],
				formula: { name: 'x', lines: [dough('a', 1000), dough('b', 1000)] },
				batch: {}
			}).batch
		).toBe('0.3001');
	});

	it('a half goes away from zero', () => {
		const a = ingredient('a', { price: { amount: '1.00005', grams: 1000 } });
		expect(
			packed({ ingredients: [a], formula: { name: 'x', lines: [dough('a', 1000)] }, batch: {} }).batch
		).toBe('1.0001');
	});

	it('materials belong to the pack, not the piece', () => {
		// 0.1875 + 0.11 + 0.04
		const pack = {
			pieces: 6,
			materials: [
				{ name: 'bag', cost: '0.11' },
				{ name: 'label', cost: '0.04' }
			]
		};
		expect(packed({ pack })).toMatchObject({ perPiece: '0.0313', perPack: '0.34' });
	});

	it('what has no price is left out and named', () => {
		const zest = ingredient('zest');
		expect(
			packed({
				ingredients: [flour, water, zest],
				formula: { name: 'x', lines: [dough('zest', 1), dough('flour', 1000), dough('water', 599)] }
			})
		).toMatchObject({ batch: '1.0000', unpriced: ['water', 'zest'] });
	});

	it('nothing can be said without any price, without sellable pieces, or without a pack', () => {
		const bare = { ...flour, price: null };
		expect(packed({ ingredients: [bare, water] })).toEqual({
			batch: null,
			perPiece: null,
			perPack: null,
			unpriced: ['flour', 'water']
		});
		expect(packed({ batch: { rejects: 32 } })).toMatchObject({
			batch: '1.0000',
			perPiece: null,
			perPack: null
		});
		expect(factsOf(recipe()).cost.perPack).toBeNull();
	});
});
