import { describe, expect, it } from 'vitest';
import { standardDeviation } from './spread.ts';
import { studentT } from './student.ts';

describe('Student’s t', () => {
	// Published two-sided 95 % and 99 % values, to three decimals.
	it.each([
		[0.975, 1, 12.706],
		[0.975, 2, 4.303],
		[0.975, 5, 2.571],
		[0.975, 10, 2.228],
		[0.975, 11, 2.201],
		[0.975, 23, 2.069],
		[0.975, 47, 2.012],
		[0.975, 120, 1.98],
		[0.995, 4, 4.604],
		[0.995, 19, 2.861],
		[0.95, 7, 1.895]
	])('for %d with %d degrees of freedom is %d', (probability, degrees, t) => {
		expect(studentT(probability, degrees)).toBeCloseTo(t, 3);
	});

	it('comes near the normal distribution’s 1.96 with many', () => {
		expect(studentT(0.975, 5000)).toBeCloseTo(1.96, 2);
	});

	it.each([0, -1, 1.5, NaN])('has no %d degrees of freedom', (degrees) => {
		expect(() => studentT(0.975, degrees)).toThrow(RangeError);
	});
	it.each([0.5, 1, 0, 2])('of a probability of %d is none', (probability) => {
		expect(() => studentT(probability, 5)).toThrow(RangeError);
	});
});

describe('the spread of a sample', () => {
	it('is s with n − 1 below', () => {
		// mean 60; (4 + 0 + 4) / 2 = 4
		expect(standardDeviation([58, 60, 62])).toBe(2);
		expect(standardDeviation([5, 5, 5, 5])).toBe(0);
	});
	it('of one value, or none, is not known', () => {
		expect(standardDeviation([60])).toBeNull();
		expect(standardDeviation([])).toBeNull();
	});
});
