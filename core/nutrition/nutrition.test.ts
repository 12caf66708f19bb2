import { describe, expect, it } from 'vitest';
import { dough, factsOf, flour, ingredient, per100g, recipe, surface, water } from '../testing/recipe.ts';
import { energyNotices, factorEnergy } from './energy.ts';

const ghee = ingredient('ghee', {
	kind: 'fat',
	per100g: per100g({ fat_g: 100, energy_kcal: 900 }),
	allergens: ['milk']
});

describe('nutrients of a piece', () => {
	it('come from its share of every line', () => {
		// dough line: 1000 g flour · 50 / 1600 = 31.25 g; brushing: 64 g over 32 pieces = 2 g
		const facts = factsOf(
			recipe({
				ingredients: [flour, water, ghee],
				formula: {
					name: 'x',
					lines: [dough('flour', 1000), dough('water', 600), surface('ghee', 'brushing', 64)]
				}
			})
		);
		expect(facts.perPiece.fat_g).toBeCloseTo(31.25 * 0.02 + 2, 12);
		expect(facts.perPiece.protein_g).toBeCloseTo(31.25 * 0.12, 12);
		// 42 g finished
		expect(facts.per100g?.fat_g).toBeCloseTo(((31.25 * 0.02 + 2) * 100) / 42, 10);
		expect(facts.per100g?.water_g).toBeCloseTo(((50 * 720) / 1600 - (52 - 42)) * (100 / 42), 10);
	});

	it.each([
		['brushing', 40],
		['layering', 40],
		['garnish', 40],
		['dusting', 20],
		['bowl', 20],
		['griddle', 20]
	] as const)('%s keeps %d g of 40 while nobody weighed it', (use, uptake) => {
		const facts = factsOf(
			recipe({
				ingredients: [flour, water, ghee],
				formula: {
					name: 'x',
					lines: [dough('flour', 1000), dough('water', 600), surface('ghee', use, 40)]
				}
			})
		);
		expect(facts.yield.uptake_g).toBe(uptake);
		expect(
			facts.notices.some((notice) => notice.code === 'uptake-assumed' && notice.ingredient === 'ghee')
		).toBe(uptake === 20);
	});

	it('an unknown value makes the total unknown and names who lacks it, in line order', () => {
		const masa = ingredient('masa', { kind: 'flour', per100g: { ...flour.per100g, sugars_g: null } });
		const bran = ingredient('bran', { kind: 'flour', per100g: { water_g: 10 } });
		const facts = factsOf(
			recipe({
				ingredients: [masa, bran, water],
				formula: {
					name: 'x',
					lines: [dough('bran', 10), dough('masa', 990), dough('bran', 5), dough('water', 600)]
				}
			})
		);
		expect(facts.perPiece.sugars_g).toBeNull();
		expect(facts.perPiece.fat_g).toBeNull();
		expect(facts.incomplete.find((each) => each.nutrient === 'sugars_g')?.ingredients).toEqual([
			'bran',
			'masa'
		]);
		expect(facts.incomplete.find((each) => each.nutrient === 'fat_g')?.ingredients).toEqual(['bran']);
		expect(facts.incomplete[0]?.nutrient).toBe('energy_kcal');
		expect(facts.panel?.totalSugars).toEqual({ amount: null, dv: null });
		expect(facts.panel?.calories).toBeNull();
	});

	it('an ingredient without mass leaves nothing unknown', () => {
		const bran = ingredient('bran', { per100g: {} });
		const facts = factsOf(
			recipe({
				ingredients: [flour, water, bran],
				formula: { name: 'x', lines: [dough('flour', 1000), dough('water', 600), dough('bran', 0)] }
			})
		);
		expect(facts.incomplete).toEqual([]);
	});
});

describe('energy by factors', () => {
	const amounts = { ...per100g({ protein_g: 10, fat_g: 5, carbohydrate_g: 50, fibre_g: 6 }) } as Parameters<
		typeof factorEnergy
	>[0];

	it('4-4-9 for a US panel; fibre apart for an EU table', () => {
		expect(factorEnergy(amounts)).toEqual({
			us_kcal: 4 * 10 + 4 * 50 + 9 * 5, // 285
			eu_kcal: 4 * 10 + 4 * 44 + 9 * 5 + 2 * 6, // 273
			eu_kJ: 17 * 10 + 17 * 44 + 37 * 5 + 8 * 6 // 1151
		});
	});

	it('unknown fibre leaves the US figure; unknown fat leaves none', () => {
		expect(factorEnergy({ ...amounts, fibre_g: null })).toEqual({ us_kcal: 285, eu_kcal: null, eu_kJ: null });
		expect(factorEnergy({ ...amounts, fat_g: null })).toEqual({ us_kcal: null, eu_kcal: null, eu_kJ: null });
	});

	it.each([
		[110, 100, 0],
		[110.1, 100, 1],
		[90, 100, 0],
		[89.9, 100, 1],
		[null, 100, 0]
	])('table %s against factors %d: %d notices', (table, factors, count) => {
		expect(energyNotices(table, factors)).toHaveLength(count);
	});
});
