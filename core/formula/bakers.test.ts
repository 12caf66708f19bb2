import { describe, expect, it } from 'vitest';
import { dough, factsOf, flour, ingredient, per100g, recipe, surface, water } from '../testing/recipe.ts';
import { scaleLines } from './scale.ts';

const butter = ingredient('butter', { kind: 'fat', per100g: per100g({ water_g: 16, fat_g: 81 }) });

describe('baker’s percentages', () => {
	it('are of the flour in dough lines, sponge included; starch is not flour', () => {
		const starch = ingredient('starch', { kind: 'starch' });
		const { formula } = factsOf(
			recipe({
				ingredients: [flour, water, starch],
				formula: {
					name: 'x',
					lines: [
						dough('flour', 200, 'sponge'),
						dough('flour', 800, 'dry'),
						dough('starch', 50),
						dough('water', 620)
					]
				}
			})
		);
		expect(formula.flour_g).toBe(1000);
		expect(formula.bakersPercent).toEqual([
			{ ingredient: 'flour', stage: 'sponge', percent: 20 },
			{ ingredient: 'flour', stage: 'dry', percent: 80 },
			{ ingredient: 'starch', stage: null, percent: 5 },
			{ ingredient: 'water', stage: null, percent: 62 }
		]);
		expect(formula.hydration).toBe(62);
	});

	it('effective hydration adds the water inside non-flour ingredients', () => {
		// 600 g water + 100 g butter × 16 % = 616 g on 1000 g flour
		const { formula } = factsOf(
			recipe({
				ingredients: [flour, water, butter],
				formula: { name: 'x', lines: [dough('flour', 1000), dough('water', 600), dough('butter', 100)] }
			})
		);
		expect(formula.hydration).toBe(60);
		expect(formula.effectiveHydration).toBeCloseTo(61.6, 10);
	});

	it('effective hydration is null where a water content is unknown, and the flour’s own does not matter', () => {
		const unknown = { ...butter, per100g: { ...butter.per100g, water_g: null } };
		const lines = [dough('flour', 1000), dough('water', 600), dough('butter', 100)];
		const batch = {};
		expect(
			factsOf(recipe({ ingredients: [flour, water, unknown], formula: { name: 'x', lines }, batch })).formula
				.effectiveHydration
		).toBeNull();
		const dryFlour = { ...flour, per100g: { ...flour.per100g, water_g: null } };
		expect(
			factsOf(recipe({ ingredients: [dryFlour, water, butter], formula: { name: 'x', lines }, batch }))
				.formula.effectiveHydration
		).toBeCloseTo(61.6, 10);
	});

	it('dusting is no part of them', () => {
		const facts = factsOf(
			recipe({
				formula: {
					name: 'x',
					lines: [dough('flour', 1000), dough('water', 600), surface('flour', 'dusting', 60, 30)]
				}
			})
		);
		expect(facts.formula.flour_g).toBe(1000);
		expect(facts.formula.bakersPercent).toHaveLength(2);
	});

	it('without flour they are null, and it is said', () => {
		const facts = factsOf(
			recipe({
				ingredients: [water, butter],
				formula: { name: 'x', lines: [dough('water', 600), dough('butter', 100)] },
				batch: {}
			})
		);
		expect(facts.formula).toMatchObject({ flour_g: 0, hydration: null, effectiveHydration: null });
		expect(facts.formula.bakersPercent.map((line) => line.percent)).toEqual([null, null]);
		expect(facts.notices.map((notice) => notice.code)).toContain('no-flour');
	});
});

describe('scaleLines', () => {
	it('scales every mass alike, and an uptake that is assumed stays assumed', () => {
		expect(
			scaleLines(
				[dough('flour', 1000), surface('flour', 'dusting', 60, 35), surface('flour', 'bowl', 10)],
				2.5
			)
		).toEqual([dough('flour', 2500), surface('flour', 'dusting', 150, 87.5), surface('flour', 'bowl', 25)]);
	});

	it('changes no percentage', () => {
		const given = recipe();
		const scaled = { ...given, formula: { ...given.formula, lines: scaleLines(given.formula.lines, 0.37) } };
		expect(factsOf(scaled).formula.bakersPercent.map((line) => line.percent)).toEqual(
			factsOf(given).formula.bakersPercent.map((line) => line.percent && expect.closeTo(line.percent, 9))
		);
	});
});
