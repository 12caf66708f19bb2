import { describe, expect, it } from 'vitest';
import { readCount, readGrams, readGramsList, readMoney, readNumber } from './reading.ts';

describe('readNumber', () => {
	it.each([
		['12', 12],
		[' 1.5 ', 1.5],
		['1,5', 1.5],
		['.5', 0.5],
		['1/2', 0.5],
		['1 1/2', 1.5],
		['½', 0.5],
		['1½', 1.5],
		['2 ¼', 2.25],
		['1⁄4', 0.25],
		['0,125', 0.125],
		['1,234.5', 1234.5]
	])('reads %s as %d', (text, value) => {
		expect(readNumber(text)).toEqual({ ok: true, value });
	});

	it.each([
		['', 'empty'],
		['abc', 'not a number'],
		['-3', 'negative'],
		['−3', 'negative'],
		['1/0', 'zero'],
		['1,130', 'two ways'],
		['1 130', 'not a number'],
		['1.2.3', 'not a number'],
		['NaN', 'not a number'],
		['1e3', 'not a number'],
		['Infinity', 'not a number']
	])('refuses %s', (text, part) => {
		const read = readNumber(text);
		expect(read.ok ? '' : read.message).toContain(part);
	});
});

describe('readGrams', () => {
	it.each([
		['60', 60],
		['60 g', 60],
		['1.5kg', 1500],
		['1 1/2 kg', 1500],
		['1 lb', 453.59237],
		['2 oz', 56.69904625]
	])('reads %s as %d g', (text, value) => {
		expect(readGrams(text)).toEqual({ ok: true, value });
	});

	it('names a unit it does not know', () => {
		expect(readGrams('2 cups')).toMatchObject({ ok: false, message: expect.stringContaining('cups') });
		expect(readGrams('a lot')).toMatchObject({ ok: false, message: '"a lot" is not a weight' });
	});
});

describe('readCount and readMoney', () => {
	it('counts are whole', () => {
		expect(readCount('12')).toEqual({ ok: true, value: 12 });
		expect(readCount('1.5').ok).toBe(false);
	});

	it.each([
		['6.50', '6.50'],
		['6,5', '6.5'],
		['$6.50', '6.50'],
		['6 €', '6'],
		['007.10', '7.10'],
		['0', '0']
	])('money %s is the exact string %s', (text, value) => {
		expect(readMoney(text)).toEqual({ ok: true, value });
	});

	it.each(['', '-1', 'six', '1,000', '1.23456', '1/2'])('refuses the money %s', (text) => {
		expect(readMoney(text).ok).toBe(false);
	});
});

describe('readGramsList', () => {
	it.each([
		['59.5 60.5', [59.5, 60.5]],
		['59.5, 60.5', [59.5, 60.5]],
		['59.5,60.5', [59.5, 60.5]],
		['59,5; 60,5', [59.5, 60.5]],
		['60g 61g\n62', [60, 61, 62]],
		['', []]
	])('reads %j', (text, value) => {
		expect(readGramsList(text)).toEqual({ ok: true, value });
	});

	it.each(['59,60', '60 x', '60 -1', '0'])('refuses %j', (text) => {
		expect(readGramsList(text).ok).toBe(false);
	});
});

describe('how much money may be', () => {
	it('is nine digits before the point, and not one more', () => {
		expect(readMoney('999999999.99')).toEqual({ ok: true, value: '999999999.99' });
		// Zeros in front are no digits of it.
		expect(readMoney('0000999999999')).toEqual({ ok: true, value: '999999999' });
		const read = readMoney('1000000000');
		expect(read.ok ? '' : read.message).toContain('check the figure');
	});
});
