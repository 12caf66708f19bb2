import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mean, roundTo, settled } from './round.ts';

describe('roundTo', () => {
	it.each([
		[0.5, 1, 1],
		[-0.5, 1, -1],
		[2.5, 1, 3],
		[0.49999999999999994, 1, 1], // computed 0.5: settled to 12 digits before rounding
		[0.4999, 1, 0],
		[1.005, 0.01, 1.01],
		[0.15, 0.1, 0.2],
		[142.5, 5, 145],
		[145, 10, 150],
		[4.75, 0.5, 5],
		[4.74, 0.5, 4.5],
		[0.3, 0.1, 0.3]
	])('rounds %d to steps of %d as %d', (value, step, expected) => {
		expect(roundTo(value, step)).toBe(expected);
	});

	it('has no negative zero', () => {
		expect(Object.is(roundTo(-0.2, 1), 0)).toBe(true);
	});
});

it('settled takes binary noise away', () => {
	expect(settled(0.1 + 0.2)).toBe(0.3);
	expect(settled(1.1 * 1.1)).toBe(1.21);
});

it('settled is what twelve digits of text read as, for every number', () => {
	const same = (value: number) => Object.is(settled(value) + 0, Number(value.toPrecision(12)) + 0);
	fc.assert(fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), same), { numRuns: 2000 });
	fc.assert(fc.property(fc.double({ min: -1e7, max: 1e7, noNaN: true }), same), { numRuns: 5000 });
	// Halves of the last digit, and the next numbers to either side of powers of ten.
	const halves = fc
		.tuple(fc.integer({ min: 1e11, max: 1e12 - 1 }), fc.integer({ min: 0, max: 17 }))
		.map(([digits, power]) => Number(`${digits}5e-${power + 1}`));
	fc.assert(fc.property(halves, same), { numRuns: 5000 });
	for (let power = -7; power <= 12; power++)
		for (const off of [-2, -1, 0, 1, 2])
			expect(same(Number(`1e${power}`) * (1 + off * Number.EPSILON)), `1e${power}`).toBe(true);
});

it('the mean of nothing is null', () => {
	expect(mean([])).toBeNull();
	expect(mean([51, 52.5])).toBe(51.75);
});
