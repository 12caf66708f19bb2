import { describe, expect, it } from 'vitest';
import { isAboutHeat, readHeat } from './heat.ts';

describe('how hot a step is', () => {
	it.each([
		['230', 230],
		['230 °C', 230],
		['446 F', 230], // (446 − 32) · 5/9
		['-18', -18],
		['hot oven', 220],
		['a moderate oven', 180],
		['very hot oven', 245],
		['Gas mark 7', 220],
		['gas 1/2', 120],
		['medium flame', 200],
		['medium-high heat', 230],
		['over a high flame', 260]
	])('%s', (text, value) => {
		expect(readHeat(text)).toEqual({ ok: true, value });
	});
	it.each(['warm', 'gas mark 12', 'as hot as it gets', '20 g', ''])('"%s" is not understood', (text) => {
		expect(readHeat(text).ok).toBe(false);
	});
	it('words are only about what they mean', () => {
		expect(['hot oven', 'gas mark 7', '230', '450 F', '230 celsius'].map(isAboutHeat)).toEqual([
			true,
			true,
			false,
			false,
			false
		]);
	});
});
