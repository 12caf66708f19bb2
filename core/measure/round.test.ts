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

it('the mean of nothing is null', () => {
	expect(mean([])).toBeNull();
	expect(mean([51, 52.5])).toBe(51.75);
});
