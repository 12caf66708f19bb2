import Joi from 'joi';
import { describe, expect, it } from 'vitest';
import {
	count,
	day,
	grams,
	gramsList,
	id,
	money,
	length,
	number,
	optionalText,
	text,
	timeOfDay
} from './fields.ts';
import { isDay } from './query.ts';

/** What a field makes of a text: its value, or the words of what is wrong. */
function read(schema: Joi.Schema, typed: unknown): unknown {
	const { value, error } = Joi.object({ field: schema }).validate({ field: typed });
	return error ? `! ${error.message}` : (value as { field: unknown }).field;
}

describe('a weight', () => {
	it.each([
		['60', 60],
		['1,5 kg', 1500],
		['1 1/2 lb', 680.389],
		['0', 0],
		// To the thousandth, as the database keeps it.
		['0.1234', 0.123],
		['1000000', 1_000_000]
	])('%j is %d g', (typed, value) => {
		expect(read(grams(), typed)).toBe(value);
	});

	it.each([
		['1000000.01', 'more than a tonne'],
		['1001 kg', 'more than a tonne'],
		['-3', 'cannot be negative'],
		['', 'empty'],
		['a bit', 'not a weight'],
		['3 cups', 'not a unit of weight'],
		[3, 'must be text'],
		[null, 'must be text']
	])('%j is refused: %s', (typed, says) => {
		expect(read(grams(), typed)).toContain(says);
	});

	it('may have to be more than nothing, and may be left out', () => {
		expect(read(grams({ positive: true }), '0')).toContain('more than 0 g');
		// Less than the database keeps is nothing.
		expect(read(grams({ positive: true }), '0.0004')).toContain('more than 0 g');
		expect(read(grams({ positive: true }), '0.001')).toBe(0.001);
		expect(read(grams({ optional: true }), ' ')).toBeNull();
	});
});

describe('weights in one field', () => {
	it('are told apart by spaces and line breaks', () => {
		expect(read(gramsList(), '60 61.5\n59;60')).toEqual([60, 61.5, 59, 60]);
		expect(read(gramsList(), '')).toEqual([]);
	});
	it.each([
		['60 0', '0 g is not a reading'],
		['60 1000001', 'more than a tonne'],
		['60,615', 'one weight or two'],
		['60 x', 'not a number']
	])('%j is refused: %s', (typed, says) => {
		expect(read(gramsList(), typed)).toContain(says);
	});
});

describe('a count', () => {
	it.each([
		['1', 1],
		['12', 12]
	])('%j is %d', (typed, value) => {
		expect(read(count(1, 12), typed)).toBe(value);
	});
	it.each([
		['0', 'from 1 to 12'],
		['13', 'from 1 to 12'],
		['1.5', 'whole number'],
		['99999999999999999999', 'whole number'],
		['', 'empty']
	])('%j is refused: %s', (typed, says) => {
		expect(read(count(1, 12), typed)).toContain(says);
	});
});

describe('a number', () => {
	it('is within its limits, both of them too', () => {
		expect(read(number(0.01, 100), '0.01')).toBe(0.01);
		expect(read(number(0.01, 100), '100')).toBe(100);
		expect(read(number(0.01, 100), '0.009')).toContain('from 0.01 to 100');
		expect(read(number(0.01, 100), '100.1')).toContain('from 0.01 to 100');
	});
	it('below zero is no number here', () => {
		expect(read(number(-40, 400), '-18')).toContain('cannot be negative');
	});
	it('a length is in the unit that is asked for, whatever it is typed in', () => {
		expect(read(length('cm', 1, 200), '8 in')).toBe(20.32);
		expect(read(length('mm', 0.1, 100), '0.3 cm')).toBe(3);
		expect(read(length('cm', 1, 200), '9 mm')).toContain('from 1 to 200');
		expect(read(length('cm', 1, 200), '8 feet')).toContain('is not a length');
	});
});

describe('money', () => {
	it.each([
		['6,5', '6.5'],
		['$6.50', '6.50'],
		['999999999.9999', '999999999.9999']
	])('%j is exactly %s', (typed, value) => {
		expect(read(money(), typed)).toBe(value);
	});
	it.each([
		['1000000000', 'a thousand millions or more'],
		['1.23456', 'four decimals'],
		['-1', 'negative'],
		['', 'empty']
	])('%j is refused: %s', (typed, says) => {
		expect(read(money(), typed)).toContain(says);
	});
	it('may be left out', () => {
		expect(read(money({ optional: true }), '')).toBeNull();
	});
});

describe('days and times', () => {
	it.each(['2026-02-28', '2028-02-29', '1999-12-31'])('%s is a day', (typed) => {
		expect(read(day(), typed)).toBe(typed);
		expect(isDay(typed)).toBe(true);
	});
	it.each(['2026-02-29', '2026-13-01', '2026-1-1', '14/03/2026', 'today', '2026-03-14T00:00'])(
		'%s is none',
		(typed) => {
			expect(read(day(), typed)).toContain('choose a day');
			expect(isDay(typed)).toBe(false);
		}
	);
	it('no day is none, unless it may be left out', () => {
		expect(read(day(), '')).toContain('choose a day');
		expect(read(day({ optional: true }), '')).toBeNull();
		expect(isDay(null)).toBe(false);
	});
	it.each([
		['00:00', true],
		['23:59', true],
		['24:00', false],
		['9:30', false],
		['09:60', false]
	])('%s is a time of day: %s', (typed, is) => {
		expect(read(timeOfDay(), typed) === typed).toBe(is);
	});
});

describe('text', () => {
	it('is trimmed, and not blank where it is needed', () => {
		expect(read(text(10), '  Roti ')).toBe('Roti');
		expect(read(text(10, 'say why'), '   ')).toContain('say why');
		expect(read(text(10, 'say why'), undefined)).toContain('say why');
		expect(read(optionalText(10), '   ')).toBe('');
	});
	it('is as long as it may be, and no longer', () => {
		expect(read(text(4), 'roti')).toBe('roti');
		expect(read(text(4), 'rotis')).toContain('longer than 4 characters');
		expect(read(optionalText(4), 'rotis')).toContain('longer than 4 characters');
	});
});

it('an id is one of ours', () => {
	expect(read(id('choose one'), '01J0000000000000000000ABCD')).toBe('01J0000000000000000000ABCD');
	for (const typed of ['', '1', '01j0000000000000000000abcd', "' OR 1=1 --"])
		expect(read(id('choose one'), typed)).toContain('choose one');
});
