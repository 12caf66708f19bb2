import { describe, expect, it } from 'vitest';
import { readEuLabel } from './eu/pack-label.ts';
import { readPrinted, type Printed } from './pack-label.ts';
import { readUsLabel } from './us/pack-label.ts';

const n = (value: number, lessThan = false): Printed => ({ value, lessThan });

describe('a figure as a label prints it', () => {
	it.each([
		['12', { value: 12, lessThan: false }],
		['12g', { value: 12, lessThan: false }],
		['<1', { value: 1, lessThan: true }],
		['less than 5mg', { value: 5, lessThan: true }],
		['2,5 g', { value: 2.5, lessThan: false }],
		['0.1mcg', { value: 0.1, lessThan: false }]
	])('%s', (text, printed) => expect(readPrinted(text)).toEqual(printed));
	it.each(['', 'none', '-1', '1 2'])('%j is none', (text) => expect(readPrinted(text)).toBeNull());
});

describe('a US label per serving', () => {
	it('"0 g" fat per 14 g serving is 0 to 3.5 g in 100 g', () => {
		// below 0.5 g prints 0: 0.5 · 100 / 14 = 3.5714
		const { per100g, intervals } = readUsLabel({ fat_g: n(0) }, 14);
		expect(per100g.fat_g).toBe(0);
		expect(intervals.fat_g?.[0]).toBe(0);
		expect(intervals.fat_g?.[1]).toBeCloseTo(3.5714, 4);
	});
	// [line, printed, least, most] per serving of 100 g, so the interval is that of the rounding rule
	it.each([
		['fat_g', n(0.5), 0.5, 0.75],
		['fat_g', n(4.5), 4.25, 4.75],
		['fat_g', n(5), 4.75, 5.5],
		['carbohydrate_g', n(22), 21.5, 22.5],
		['fibre_g', n(1, true), 0.5, 1],
		['protein_g', n(1), 1, 1.5],
		['cholesterol_mg', n(5, true), 2, 5],
		['cholesterol_mg', n(10), 7.5, 12.5],
		['sodium_mg', n(140), 137.5, 145],
		['sodium_mg', n(150), 145, 155],
		['energy_kcal', n(50), 47.5, 55],
		['energy_kcal', n(110), 105, 115],
		['iron_mg', n(1.2), 1.15, 1.25],
		['calcium_mg', n(20), 15, 25]
	] as const)('%s printed %o is %d to %d', (key, printed, low, high) => {
		const { intervals, problems } = readUsLabel({ [key]: printed }, 100);
		expect(intervals[key]?.[0]).toBeCloseTo(low, 5);
		expect(intervals[key]?.[1]).toBeCloseTo(high, 5);
		expect(problems).toEqual([]);
	});
	it('value per 100 g is value × 100 / serving', () => {
		expect(readUsLabel({ sodium_mg: n(150) }, 30).per100g.sodium_mg).toBeCloseTo(500, 9);
	});
	it('less than 1 g stands at the middle of what it can be', () => {
		expect(readUsLabel({ fibre_g: n(1, true) }, 50).per100g.fibre_g).toBeCloseTo(1.5, 6); // (0.5 + 1)/2 · 2
	});
	it('a figure no panel prints is said, and kept to its own last digit', () => {
		const { problems, intervals } = readUsLabel({ fat_g: n(0.3) }, 100);
		expect(problems).toEqual([
			{ path: 'fat_g', message: 'a US panel does not print 0.3: look at the pack again' }
		]);
		expect(intervals.fat_g?.[0]).toBeCloseTo(0.25, 9);
		expect(intervals.fat_g?.[1]).toBeCloseTo(0.35, 9);
	});
	it('what is not typed stays unknown', () => expect(readUsLabel({}, 30).per100g).toEqual({}));
});

describe('an EU table per 100 g', () => {
	it('adds fibre to carbohydrate and turns salt into sodium', () => {
		const { per100g, intervals } = readEuLabel({ carbohydrate_g: n(70), fibre_g: n(3.1), salt_g: n(0.5) });
		expect(per100g.carbohydrate_g).toBeCloseTo(73.1, 9);
		expect(per100g.sodium_mg).toBeCloseTo(200, 9); // 0.5 / 2.5 · 1000
		expect(intervals.sodium_mg?.[0]).toBeCloseTo(198, 5); // 0.495 · 400
		expect(intervals.carbohydrate_g?.[0]).toBeCloseTo(69.5 + 3.05, 5);
	});
	it('without fibre the total carbohydrate stays unknown, and says so', () => {
		const { per100g, problems } = readEuLabel({ carbohydrate_g: n(70) });
		expect(per100g.carbohydrate_g).toBeUndefined();
		expect(problems[0]?.path).toBe('fibre_g');
	});
	it('"<0.5 g" fat is more than nothing and at most a half', () => {
		const { intervals } = readEuLabel({ fat_g: n(0.5, true) });
		expect(intervals.fat_g?.[0]).toBeCloseTo(0, 5);
		expect(intervals.fat_g?.[1]).toBeCloseTo(0.5, 5);
	});
});
