import { describe, expect, it } from 'vitest';
import { measureInput } from './measure-input.ts';
import { Refused } from './errors.ts';

const FORM = { measure: 'cup', grams: null, low: null, high: null, readings: [] };
/** The field that is refused. */
const refusedAt = (act: () => unknown): string => {
	try {
		act();
	} catch (error) {
		if (error instanceof Refused) return error.problems[0]?.path ?? '';
	}
	return 'not refused';
};

describe('what a measure weighs', () => {
	it('is the mean of three weighings or more, from the least to the most of them', () => {
		// (118 + 125 + 120) / 3 = 121
		expect(measureInput({ ...FORM, readings: [118, 125, 120] })).toEqual({
			measure: 'cup',
			grams: 121,
			low: 118,
			high: 125,
			basis: 'weighed',
			readings: [118, 125, 120]
		});
	});
	it('needs three of them: fields left empty are none', () => {
		for (const readings of [[130], [130, null, null], [130, 131, null]])
			expect(refusedAt(() => measureInput({ ...FORM, readings }))).toBe('readings');
		expect(measureInput({ ...FORM, readings: [130, null, 131, 132] }).readings).toEqual([130, 131, 132]);
	});
	it('is what was typed, within its range', () => {
		expect(measureInput({ ...FORM, grams: 120 })).toMatchObject({ grams: 120, low: 120, high: 120 });
		expect(measureInput({ ...FORM, grams: 120, low: 120, high: 120 }).basis).toBe('typed');
		expect(refusedAt(() => measureInput({ ...FORM, grams: 120, low: 120.1 }))).toBe('low');
		expect(refusedAt(() => measureInput({ ...FORM, grams: 120, high: 119.9 }))).toBe('high');
	});
	it('is asked for where nothing was said', () => {
		expect(refusedAt(() => measureInput({ ...FORM, readings: [null, null, null] }))).toBe('grams');
	});
});
