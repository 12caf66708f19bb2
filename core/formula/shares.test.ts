import { describe, expect, it } from 'vitest';
import { dough, flour, ingredient, per100g, surface, water } from '../testing/recipe.ts';
import { FAMILIES, windowFindings, type Family } from './families.ts';
import { flourShares, isPreferment } from './shares.ts';
import type { Line } from './types.ts';

const shelf = [
	flour,
	water,
	ingredient('oil', { kind: 'fat' }),
	ingredient('butter', { kind: 'fat', per100g: per100g({ water_g: 16 }) }),
	ingredient('salt', { kind: 'salt' }),
	ingredient('honey', { kind: 'sweetener', per100g: per100g({ water_g: 17 }) }),
	ingredient('powder', { kind: 'leavening' }),
	ingredient('yeast', { kind: 'yeast' })
];
const ingredientOf = (id: string) => shelf.find((each) => each.id === id) ?? flour;
const shares = (lines: Line[]) => flourShares(lines, ingredientOf);

describe('percent of flour', () => {
	const figures = shares([
		dough('flour', 200, 'Sponge'),
		dough('water', 100, 'Sponge'),
		dough('yeast', 4, 'Sponge'),
		dough('flour', 600, 'Dry'),
		dough('salt', 16, 'Dry'),
		dough('powder', 8, 'Dry'),
		dough('honey', 40, 'Liquid'),
		dough('water', 380, 'Liquid'),
		dough('butter', 80, 'Fat'),
		surface('oil', 'layering', 100, 96),
		surface('oil', 'griddle', 50)
	]);
	it.each([
		['hydration', 60], // 480 / 800
		['effectiveHydration', 62.45], // (480 + 40·17 % + 80·16 %) / 800 = 499.6 / 800
		['fat', 10], // 80 / 800; the griddle's oil is not in the dough
		['layeringFat', 12], // 96 / 800
		['salt', 2],
		['sugar', 5],
		['leavening', 1],
		['yeast', 0.5],
		['prefermented', 25] // 200 / 800
	] as const)('%s is %d', (key, percent) => expect(figures[key]).toBeCloseTo(percent, 10));

	it('is not known without flour', () => {
		expect(Object.values(shares([dough('water', 100)])).every((value) => value === null)).toBe(true);
	});

	it('tells a ferment made ahead by its stage', () => {
		for (const stage of ['Sponge', 'overnight poolish', 'Pre-ferment', 'Levain'])
			expect(isPreferment(stage)).toBe(true);
		expect(isPreferment('Dry')).toBe(false);
		expect(isPreferment(null)).toBe(false);
	});
});

describe('windows', () => {
	const family = (id: string) => FAMILIES.find((each) => each.id === id) as Family;
	const at = (id: string, grams: number, key: string) =>
		windowFindings(shares([dough('flour', 1000), dough('water', grams)]), family(id).windows).find(
			(finding) => finding.key === key
		)?.state;

	// Table of section 3, both ends included: [family, low, high]
	it.each([
		['tortilla-cut-in', 45, 60],
		['tortilla-hot-water', 50, 65],
		['roti', 55, 75],
		['layered', 50, 65],
		['pita', 58, 70],
		['stack-rolled', 50, 62]
	])('%s: hydration from %d to %d', (id, low, high) => {
		expect(at(id, low * 10, 'hydration')).toBe('inside');
		expect(at(id, low * 10 - 0.1, 'hydration')).toBe('below');
		expect(at(id, high * 10, 'hydration')).toBe('inside');
		expect(at(id, high * 10 + 0.1, 'hydration')).toBe('above');
	});

	it('enriched dough is judged by all its water', () => {
		expect(family('enriched').windows.hydration).toBeUndefined();
		expect(at('enriched', 550, 'effectiveHydration')).toBe('inside');
		expect(at('enriched', 549, 'effectiveHydration')).toBe('below');
	});

	it('says what to expect outside, and nothing inside', () => {
		const [finding] = windowFindings(
			shares([dough('flour', 1000), dough('water', 400)]),
			family('pita').windows
		);
		expect(finding).toMatchObject({ key: 'hydration', state: 'below', reason: 'little water: no pocket' });
		const [inside] = windowFindings(
			shares([dough('flour', 1000), dough('water', 600)]),
			family('pita').windows
		);
		expect(inside?.reason).toBe('');
	});

	it('every window with an end that can be missed gives the reason', () => {
		for (const { windows } of FAMILIES)
			for (const each of Object.values(windows)) {
				if (each.low > 0) expect(each.below).not.toBe('');
				expect(each.above).not.toBe('');
				expect(each.low).toBeLessThanOrEqual(each.high);
			}
	});
});
