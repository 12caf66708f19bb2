import { describe, expect, it } from 'vitest';
import { controlChart } from './control.ts';

describe('what is usual of a figure', () => {
	it('is its mean and 3 / 1.128 mean moving ranges about it', () => {
		// ranges 2, 2, 2, 2, 2: mean 2; 3 / 1.128 · 2 = 5.319; mean of 10, 12, 10, 12, 10, 12 is 11
		const { limits, signals } = controlChart([10, 12, 10, 12, 10, 12]);
		expect(limits?.mean).toBe(11);
		expect(limits?.low).toBeCloseTo(11 - 5.3191, 4);
		expect(limits?.high).toBeCloseTo(11 + 5.3191, 4);
		expect(signals).toEqual([null, null, null, null, null, null]);
	});

	it('is not known from five', () => {
		expect(controlChart([10, 12, 10, 12, 10])).toEqual({ limits: null, signals: Array(5).fill(null) });
		expect(controlChart([])).toEqual({ limits: null, signals: [] });
	});

	it('one beyond a limit stands out', () => {
		// mean 12.67; ranges 1 1 1 19 20 1 1 1: mean 5.625, limits 14.96 away
		const { signals } = controlChart([10, 11, 10, 11, 30, 10, 11, 10, 11]);
		expect(signals[4]).toBe('outside');
		expect(signals.filter(Boolean)).toHaveLength(1);
	});

	it('the eighth in a row on one side stands out, the seventh does not', () => {
		const low = Array.from({ length: 10 }, (_, index) => 10 + (index % 2) * 0.4);
		const high = Array.from({ length: 8 }, (_, index) => 11 + (index % 2) * 0.4);
		const { signals } = controlChart([...low, ...high]);
		expect(signals[6]).not.toBe('run');
		expect(signals[7]).toBe('run');
		expect(signals[16]).not.toBe('run');
		expect(signals[17]).toBe('run');
	});

	it('what is always the same has no spread, and any other stands out', () => {
		const { limits } = controlChart([5, 5, 5, 5, 5, 5]);
		expect(limits).toEqual({ mean: 5, low: 5, high: 5 });
	});
});
