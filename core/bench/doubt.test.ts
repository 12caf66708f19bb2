import { describe, expect, it } from 'vitest';
import { temperatureDoubt, weightDoubt } from './doubt.ts';

describe('a weight that cannot be meant', () => {
	it.each<[number, number, boolean]>([
		// A ball 8 times its target.
		[480, 60, true],
		// 3 times is not asked, a step more is.
		[180, 60, false],
		[180.1, 60, true],
		// A quarter is not asked, less is.
		[15, 60, false],
		[14.9, 60, true],
		// Of 2 g of yeast a hand's slip is many times it.
		[15, 2, false],
		[21, 2, true],
		[60, 0, false]
	])('%d g where %d g are wanted is asked: %s', (grams, target_g, asks) => {
		expect(weightDoubt(grams, target_g) !== null).toBe(asks);
	});
	it('says how many times it is', () => {
		expect(weightDoubt(480, 60)).toContain('8 times');
		expect(weightDoubt(1000, 20)).toContain('50 times');
		expect(weightDoubt(10, 60)).toContain('less than a quarter');
	});
	it('counts what is in already, and lets a line come in parts', () => {
		expect(weightDoubt(100, 600, { inParts: true })).toBeNull();
		expect(weightDoubt(1300, 600, { inParts: true, already_g: 500 })).toBeNull();
		expect(weightDoubt(1301, 600, { inParts: true, already_g: 500 })).toContain('3 times');
	});
});

describe('a temperature that cannot be meant', () => {
	it.each<[number, boolean]>([
		[500, true],
		[450, false],
		[230, false],
		[40, false],
		[39, true]
	])('%d °C is asked: %s', (temperature_c, asks) => {
		expect(temperatureDoubt(temperature_c) !== null).toBe(asks);
	});
});
