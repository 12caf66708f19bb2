import { describe, expect, it } from 'vitest';
import { amountAtStart, plusAmount, timesAmount, wordAmountAtStart } from './amount.ts';

const one = (value: number, length: number) => ({ amount: { value, low: value, high: value }, length });

describe('an amount in digits', () => {
	it.each([
		['2 cups', 2, 1],
		['1.5 kg', 1.5, 3],
		['1,5 kg', 1.5, 3],
		['1/2 tsp', 0.5, 3],
		// 1 + 1/2
		['1 1/2 cups', 1.5, 5],
		['1-1/2 cups', 1.5, 5],
		['½ cup', 0.5, 1],
		// 2 + 1/4
		['2 ¼ cups', 2.25, 3],
		['2¼ cups', 2.25, 2],
		['1⁄3 cup', 1 / 3, 3],
		['.5 l', 0.5, 2],
		// Thousands with a comma between, and a decimal point after.
		['1,234.5 g', 1234.5, 7],
		['1,000,000 g', 1000000, 9],
		// Parts of one in words after a number: 3 · 1/4, and 1 + 1/2.
		['1 quarter cup', 0.25, 9],
		['3 quarters cup', 0.75, 10],
		['1 and 1/2 cups', 1.5, 9],
		['1.1/2 cups', 1.5, 5],
		['1 000 g', 1000, 5],
		['1’000 g', 1000, 5]
	])('reads %j as %d in %d characters', (text, value, length) => {
		expect(amountAtStart(text)).toEqual(one(value, length));
	});

	it.each([
		// Halfway between both stands for it.
		['2-3 tbsp', 2.5, 2, 3, 3],
		['2 to 3 tbsp', 2.5, 2, 3, 6],
		['1/2 – 1 tsp', 0.75, 0.5, 1, 7],
		['100 bis 120 g', 110, 100, 120, 11]
	])('reads the range %j as %d, from %d to %d', (text, value, low, high, length) => {
		expect(amountAtStart(text)).toEqual({ amount: { value, low, high }, length });
	});

	it('takes no range that goes down', () => {
		expect(amountAtStart('3-2 tbsp')).toEqual(one(3, 1));
	});

	it.each(['cups', '', 'half a cup', '-'])('finds none in %j', (text) => {
		expect(amountAtStart(text)).toBeNull();
	});

	it('reads no fraction of nothing', () => {
		expect(amountAtStart('1/0 cup')?.amount.value ?? null).not.toBe(Infinity);
	});
});

describe('an amount in words', () => {
	it.each([
		['half a cup', 0.5, 6],
		['two cups', 2, 3],
		['one and a half cups', 1.5, 14],
		['three quarters cup', 0.75, 14],
		['a dozen eggs', 12, 7],
		['media taza', 0.5, 5],
		['a cup', 1, 1],
		['three quarters of a cup', 0.75, 19],
		['a couple of spoons', 2, 11],
		['twenty five grams', 25, 11],
		// 200 + 50
		['two hundred and fifty grams', 250, 21],
		// 2 + 3/4
		['two and three quarters cups', 2.75, 22],
		['half a dozen eggs', 6, 12],
		['yarım bardak', 0.5, 5],
		['ek cup', 1, 2],
		['dedh cup', 1.5, 4],
		['setengah sendok', 0.5, 8],
		['nusu kikombe', 0.5, 4]
	])('reads %j as %d', (text, value, length) => {
		expect(wordAmountAtStart(text)).toEqual(one(value, length));
	});

	it.each([
		['a quarter to a third of a cup', 1 / 4, 1 / 3, 25],
		['between two and three cups', 2, 3, 21],
		['one or two spoons', 1, 2, 10]
	])('reads the range %j', (text, low, high, length) => {
		const amount = { value: expect.closeTo((low + high) / 2, 9) as number, low, high };
		expect(wordAmountAtStart(text)).toEqual({ amount, length });
	});

	it.each(['atta flour', 'constructor of', 'tender', 'ten', 'oneself of'])(
		'does not take the start of %j for one',
		(text) => {
			expect(wordAmountAtStart(text)).toBeNull();
		}
	);
});

describe('amounts', () => {
	const range = { value: 2.5, low: 2, high: 3 };
	it('times a factor keep their range', () => {
		expect(timesAmount(range, 2)).toEqual({ value: 5, low: 4, high: 6 });
	});
	it('add up, their ranges too', () => {
		expect(plusAmount(range, { value: 1, low: 0.5, high: 1.5 })).toEqual({ value: 3.5, low: 2.5, high: 4.5 });
	});
});
