import { describe, expect, it } from 'vitest';
import { rulesOf } from '../rules/index.ts';
import type { Figure } from '../rules/figure.ts';
import { dough, ingredient, per100g, recipe } from '../testing/recipe.ts';
import { EXACT, sureFigure, sureFigures } from '../testing/unsure.ts';
import { besideReport } from './report.ts';

const salted = ingredient('salted', { per100g: per100g({ sodium_mg: 400 }) });
const asked = recipe({
	ingredients: [salted],
	formula: { name: 'One', lines: [dough('salted', 1000)] },
	batch: { finishedWeights_g: [50] }
});
const figure = rulesOf('us').figures.find(({ key }) => key === 'sodium') as Figure;
/** 200 mg of a serving of 50 g, give or take 20. */
const sodium = sureFigure(
	sureFigures(
		asked,
		{ ...EXACT, values: [{ ingredient: 'salted', nutrient: 'sodium_mg', cv: 0.1, range: null }] },
		20_000
	),
	'sodium'
);
const beside = (found: number, uncertainty?: number) =>
	besideReport(
		sodium,
		figure,
		{ found: { sodium_mg: found }, uncertainty: { sodium_mg: uncertainty ?? null } },
		50
	);

describe('a laboratory’s report beside a derived figure', () => {
	it('is as far off as both are unsure', () => {
		// 500 mg in 100 g are 250 of the serving; ± 60 expanded are 30 standard of 100 g, 15 of the serving
		const { reported, apart, isFar, unlikely } = beside(500, 60) ?? {};
		expect(reported).toBe(250);
		// 50 / √(20² + 15²) = 2
		expect(apart).toBeCloseTo(2, 1);
		expect(isFar === true ? unlikely?.length : 0).toBeLessThanOrEqual(1);
	});

	it('says what would have to be otherwise, by how much', () => {
		// 100 mg off, of √(20² + 15²) = 25: 4 apart; the value takes 20/25 of that, 3.2 of its own spreads
		const { isFar, unlikely } = beside(600, 60) ?? {};
		expect(isFar).toBe(true);
		expect(unlikely?.[0]?.input).toBe('value salted sodium_mg');
		expect(unlikely?.[0]?.spreads).toBeCloseTo(3.2, 1);
	});

	it('takes the usual spread between laboratories where none is stated', () => {
		// c = 0.0042: 0.02 · c^(−0.1505) = 4.6 % of 210, under the 20 of the value
		const { isFar, unlikely } = beside(420) ?? {};
		expect(isFar).toBe(false);
		expect(unlikely).toEqual([]);
	});

	it('of what the report does not give there is nothing to say', () => {
		expect(besideReport(sodium, figure, { found: {}, uncertainty: {} }, 50)).toBeNull();
	});
});
