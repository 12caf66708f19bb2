import { describe, expect, it } from 'vitest';
import type { Recipe } from '../formula/types.ts';
import { dough, ingredient, per100g, recipe, surface } from '../testing/recipe.ts';
import { EXACT, sureFigure, sureFigures } from '../testing/unsure.ts';
import type { Assumptions } from './assumptions.ts';

/** Balls of 50 g that come to 50 g finished: a serving of flatbread is one, and 100 g hold what two balls do. */
const ONE_TO_ONE = { batch: { finishedWeights_g: [50] } };
const salted = ingredient('salted', { per100g: per100g({ sodium_mg: 400 }) });
const plain = ingredient('plain', { per100g: per100g({}) });

const of = (more: Parameters<typeof recipe>[0]): Recipe => recipe({ ...ONE_TO_ONE, ...more });
const figure = (asked: Recipe, given: Assumptions, key = 'sodium', draws = 40_000) =>
	sureFigure(sureFigures(asked, given, draws), key);

/** Φ(z) by its series; good to ten digits where |z| < 4. */
function normalBelow(z: number): number {
	let [term, sum] = [z, z];
	for (let k = 1; k < 100; k++) {
		term *= (-z * z) / (2 * k);
		sum += term / (2 * k + 1);
	}
	return 0.5 + sum / Math.sqrt(2 * Math.PI);
}

const sodium = (cv: number): Assumptions => ({
	...EXACT,
	values: [{ ingredient: 'salted', nutrient: 'sodium_mg', cv, range: null }]
});

describe('a probability that can be worked out by hand', () => {
	it('one value with one spread: the normal integral', () => {
		// 50 g · 400 / 100 = 200 mg; up to 240 may be found. σ² = ln(1 + 0.2²); P = Φ((ln 1.2 + σ²/2) / σ)
		const asked = of({ ingredients: [salted], formula: { name: 'One', lines: [dough('salted', 1000)] } });
		const sigma = Math.sqrt(Math.log(1.04));
		const exact = normalBelow((Math.log(1.2) + sigma ** 2 / 2) / sigma);
		const { printed, high, low, survives, standardError, firstOrderSd, found, shares } = figure(
			asked,
			sodium(0.2)
		);
		expect({ printed, low, high }).toEqual({ printed: '200mg', low: null, high: 240 });
		expect(Math.abs(survives - exact)).toBeLessThan(3 * standardError);
		// 200 mg · 20 %
		expect(firstOrderSd).toBeCloseTo(40, 6);
		expect(shares).toEqual([{ input: 'value salted sodium_mg', share: 1 }]);
		// A lognormal keeps its mean: 200 mg ± 3 · 40/√40000
		expect(Math.abs(found.mean - 200)).toBeLessThan(0.6);
	});

	it('two lines of one ingredient are wrong in the same way', () => {
		// Half of the dough, and 250 g layered between: (500/1000 · 50 + 250/20) g a piece · 4 mg = 150 mg, ± 10 % of all of it.
		const asked = of({
			ingredients: [salted, plain],
			formula: {
				name: 'Two',
				lines: [dough('salted', 500), dough('plain', 500), surface('salted', 'layering', 250)]
			},
			batch: { finishedWeights_g: [62.5] }
		});
		const { firstOrderSd, found, survives, standardError, high } = figure(asked, sodium(0.1));
		expect(firstOrderSd).toBeCloseTo(found.mean * 0.1, 0);
		const sigma = Math.sqrt(Math.log(1.01));
		const middle = found.mean;
		const exact = normalBelow((Math.log((high ?? 0) / middle) + sigma ** 2 / 2) / sigma);
		expect(Math.abs(survives - exact)).toBeLessThan(3 * standardError + 0.002);
	});

	it('a uniform line: what stays on of a dusting nobody weighed', () => {
		// 20 pieces; 100 g set out, so 0 to 5 g a piece, 4 mg in each gram: 0 to 20 mg, printed of the half of it, 10 mg.
		const asked = of({
			ingredients: [salted, plain],
			formula: { name: 'Dusted', lines: [dough('plain', 1000), surface('salted', 'dusting', 100)] },
			batch: { finishedWeights_g: [52.5] }
		});
		const { printed, high, survives, standardError, shares } = figure(asked, sodium(0));
		// A serving of 52.5 g prints as 53 g: found is 53/52.5 of 0 to 20 mg, and 12 of it may be.
		expect({ printed, high }).toEqual({ printed: '10mg', high: 12 });
		const exact = 12 / ((20 * 53) / 52.5);
		expect(Math.abs(survives - exact)).toBeLessThan(3 * standardError);
		expect(shares.map(({ input }) => input)).toEqual(['uptake 1']);
	});

	it('Student with three weighed: F(t) = 1/2 + t / (2·√(2 + t²))', () => {
		const asked = of({
			ingredients: [salted],
			formula: { name: 'Sampled', lines: [dough('salted', 1000)] },
			batch: { ballWeights_g: [40, 50, 60], finishedWeights_g: [50] }
		});
		// s = 10, m = 3, n = 20: 50 + t · 10/√3 · √(17/20); 4 mg in each gram, up to 240 mg may be found, at 60 g.
		const t = (60 - 50) / ((10 / Math.sqrt(3)) * Math.sqrt(17 / 20));
		const exact = 0.5 + t / (2 * Math.sqrt(2 + t * t));
		const { survives, standardError, shares } = figure(asked, sodium(0));
		expect(Math.abs(survives - exact)).toBeLessThan(3 * standardError);
		expect(shares).toEqual([{ input: 'ball weight', share: 1 }]);
	});

	it('a triangular line nobody weighed', () => {
		// 2 to 8 g of 6, in 1000 g of dough of balls of 50 g, 1000 mg in each gram
		const strong = ingredient('strong', { per100g: per100g({ sodium_mg: 100_000 }) });
		const asked = of({
			ingredients: [strong, plain],
			formula: { name: 'Said', lines: [dough('strong', 6), dough('plain', 994)] }
		});
		const given: Assumptions = {
			...EXACT,
			lines: new Map([[0, { kind: 'said', low_g: 2, high_g: 8, typical_g: null }]]),
			values: [{ ingredient: 'strong', nutrient: 'sodium_mg', cv: 0, range: null }]
		};
		// 300 mg printed: found 50·g/(994 + g)·1000 ≤ 360 at g = 994·7.2/992.8 = 7.2087; P = 1 − (8 − g)²/(6·2)
		const { survives, standardError, high } = figure(asked, given);
		expect(high).toBe(360);
		const most = (994 * 7.2) / (1000 - 7.2);
		const exact = 1 - (8 - most) ** 2 / (6 * 2);
		expect(Math.abs(survives - exact)).toBeLessThan(3 * standardError);
	});

	it('a pack’s figure: what rounds to it', () => {
		const asked = of({ ingredients: [salted], formula: { name: 'Pack', lines: [dough('salted', 1000)] } });
		// 340 to 500 mg uniform: of 50 g 170 to 250, of which 240 and less survive: 70/80
		const given: Assumptions = {
			...EXACT,
			values: [{ ingredient: 'salted', nutrient: 'sodium_mg', cv: 0, range: { low: 340, high: 500 } }]
		};
		const { survives, standardError } = figure(asked, given);
		expect(Math.abs(survives - 70 / 80)).toBeLessThan(3 * standardError);
	});
});

describe('what survives', () => {
	const asked = of({ ingredients: [salted], formula: { name: 'One', lines: [dough('salted', 1000)] } });

	it('is 0 or 1 without any spread', () => {
		for (const each of sureFigures(asked, sodium(0), 100)) {
			if (each.printed === null) continue;
			expect([0, 1]).toContain(each.survives);
			expect(each.standardError).toBe(0);
			expect(each.shares).toEqual([]);
		}
	});

	it('is never surer with more spread', () => {
		const chances = [0.05, 0.1, 0.2, 0.4].map((cv) => figure(asked, sodium(cv)).survives);
		expect(chances).toEqual(chances.toSorted((a, b) => b - a));
	});

	it('is the same for the same seed, and another for another', () => {
		const [first, again, other] = [1, 1, 2].map((seed) => sureFigures(asked, sodium(0.2), 2000, seed));
		expect(again).toEqual(first);
		expect(other).not.toEqual(first);
	});

	it('of an unknown value there is none', () => {
		const unknown = ingredient('unknown', { per100g: { ...per100g(), sodium_mg: null } });
		const figures = sureFigures(
			of({ ingredients: [unknown], formula: { name: 'Unknown', lines: [dough('unknown', 1000)] } }),
			EXACT,
			100
		);
		expect(figures.find((each) => each.figure === 'sodium')).toEqual({ figure: 'sodium', printed: null });
		expect(sureFigure(figures, 'protein').printed).toBe('0g');
	});

	it('needs a finished weight, as the panel does', () => {
		const figures = sureFigures(recipe({ batch: {} }), EXACT, 100);
		expect(figures.every((each) => each.printed === null)).toBe(true);
	});
});

describe('a coming batch', () => {
	const asked = of({ ingredients: [salted], formula: { name: 'One', lines: [dough('salted', 1000)] } });
	const batch = (cookLoss: number) => ({ cookLoss, ballWeight_g: null, water_g: null });

	it('follows from three that squared: mean + t · s · √(1 + 1/n)', () => {
		const given: Assumptions = {
			...sodium(0),
			question: 'label',
			batches: [batch(-0.05), batch(0), batch(0.05)]
		};
		// 50 g of ball at 4 mg, over what is left of it: 200 / (1 − L) ≤ 240 at L = 1/6, t = (1/6) / (0.05 · √(4/3))
		const t = 1 / 6 / (0.05 * Math.sqrt(4 / 3));
		const exact = 0.5 + t / (2 * Math.sqrt(2 + t * t));
		const { survives, standardError, shares } = figure(asked, given);
		expect(Math.abs(survives - exact)).toBeLessThan(3 * standardError);
		expect(shares[0]?.input).toBe('cook loss');
	});

	it('takes twice the family’s spread where fewer are known', () => {
		const given: Assumptions = {
			...sodium(0),
			question: 'label',
			pooled: { cookLoss: 0.05, ballWeight_g: null, water_g: null }
		};
		// L about 0 with 0.1: Φ((1/6) / 0.1)
		const exact = normalBelow(1 / 6 / 0.1);
		const { survives, standardError } = figure(asked, given);
		expect(Math.abs(survives - exact)).toBeLessThan(3 * standardError);
	});

	it('water by feel moves the water line alone', () => {
		const water = ingredient('water', { kind: 'water', per100g: per100g({}) });
		const given: Assumptions = {
			...sodium(0),
			question: 'label',
			batches: [450, 500, 550].map((water_g) => ({ cookLoss: 0, ballWeight_g: 50, water_g }))
		};
		const wet = of({
			ingredients: [salted, water],
			formula: { name: 'Wet', lines: [dough('salted', 500), dough('water', 500)] }
		});
		const { shares, firstOrderSd } = figure(wet, given);
		expect(shares).toEqual([{ input: 'water by feel', share: 1 }]);
		// 100 mg · (1/2 of a relative change of 50/1000 · √(4/3)); t with two degrees has no sd: its scale stands for it
		expect(firstOrderSd).toBeCloseTo((100 * 0.5 * 50 * Math.sqrt(4 / 3)) / 500, 1);
	});
});
