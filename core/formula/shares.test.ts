import { describe, expect, it } from 'vitest';
import { dough, flour, ingredient, per100g, surface, water } from '../testing/recipe.ts';
import { FAMILIES, windowFindings, type Family } from './families.ts';
import { choicesOf, processOf } from './process.ts';
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

describe('choices', () => {
	const tortilla = FAMILIES[0] as Family;
	it('stand at the first option until made', () => {
		expect(choicesOf({}).water).toBe('warm');
		expect(choicesOf({ water: 'cold' }).water).toBe('cold');
	});
	it('boiling water: more hydration, a step that burns, a caution, and steam', () => {
		const process = processOf(tortilla, { water: 'boiling' });
		expect(process.windows.hydration).toMatchObject({ low: 50, high: 65 });
		expect(process.mixGap).toBe('evaporation');
		expect(process.steps.find((step) => step.kind === 'mix')?.temperature_c).toBe(100);
		expect(process.cautions.some((caution) => caution.includes('Boiling water'))).toBe(true);
	});
	it('a sponge adds its step and its window', () => {
		expect(processOf(tortilla, {}).steps[0]?.kind).toBe('mix');
		const process = processOf(tortilla, { ferment: 'sponge first' });
		expect(process.steps[0]?.kind).toBe('sponge');
		expect(process.windows.prefermented).toMatchObject({ low: 15, high: 50 });
	});
	it('no fat and no leavening close their windows', () => {
		const { windows } = processOf(tortilla, { fat: 'none', leavening: 'neither' });
		expect([windows.fat?.high, windows.leavening?.high]).toEqual([0, 0]);
		expect(processOf(tortilla, { fat: 'lard', leavening: 'baking powder' }).windows.fat).toMatchObject({
			low: 6,
			high: 20
		});
	});
	it('cooking and storing change steps and cautions', () => {
		const flame = processOf(null, { cooking: 'griddle, finished on a flame', griddle: 'oiled' });
		expect(flame.steps.some((step) => step.kind === 'finish')).toBe(true);
		expect(flame.cautions.join(' ')).toMatch(/Open flame.*/);
		expect(flame.cautions.join(' ')).toMatch(/oil spatters/);
		const part = processOf(null, {
			sold: 'part-cooked, the customer finishes',
			storage: 'frozen',
			cooking: 'oven'
		});
		expect(part.cautions.join(' ')).toMatch(/Part-cooked bread is not ready to eat/);
		expect(part.steps.at(-1)).toMatchObject({ kind: 'store', temperature_c: -18 });
		expect(part.steps.some((step) => step.kind === 'cook second side')).toBe(false);
	});
	it('every process cools before packing and says raw dough is not eaten', () => {
		for (const family of [null, ...FAMILIES]) {
			const { steps, cautions } = processOf(family, {});
			const kinds = steps.map((step) => step.kind);
			expect(kinds.indexOf('cool')).toBeLessThan(kinds.indexOf('pack'));
			expect(cautions[0]).toMatch(/Raw flour/);
		}
	});
});
