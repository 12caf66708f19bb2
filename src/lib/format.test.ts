import { describe, expect, it } from 'vitest';
import { clockText, timesText } from './batch/bench/time.ts';
import { dayText, fixed, money, percent, plain, plural, significant } from './format.ts';

/** What the reader's own way writes is the machine's: digits are compared. */
const digits = (text: string) => text.replace(/[^\d.,-]/g, '');

describe('numbers', () => {
	it('have at most, or exactly, so many decimals', () => {
		expect(plain(3546.4)).toBe(plain(3546));
		expect(digits(fixed(2, 1))).toMatch(/^2[.,]0$/);
		expect(digits(percent(0.12345))).toMatch(/^12[.,]3$/);
		expect(digits(significant(0.00012345))).toMatch(/^0[.,]0001234$|^0[.,]0001235$/);
	});
	it('that are nothing are not less than nothing', () => {
		expect(plain(-0.2)).toBe('0');
		expect(digits(fixed(-0.04, 1))).toMatch(/^0[.,]0$/);
	});
	it('of money are exact however long', () => {
		// As a binary number the last digits would be 20: 12345678901234.19 has no place for them.
		expect(money('12345678901234.19', 'USD').replace(/\D/g, '')).toBe('1234567890123419');
		expect(money('-0.05', 'USD').replace(/\D/g, '')).toBe('005');
	});
});

describe('words', () => {
	it('of a day name the weekday', () => {
		expect(dayText('2026-03-14')).toBe('Sat, 14 Mar 2026');
		expect(dayText('2028-02-29')).toBe('Tue, 29 Feb 2028');
	});
	it('of one and of several', () => {
		expect([plural(0, 'pack'), plural(1, 'pack'), plural(2, 'batch', 'batches')]).toEqual([
			'0 packs',
			'1 pack',
			'2 batches'
		]);
	});
	it.each([
		[0, '0:00'],
		[11.4, '11:24'],
		[59.99, '59:59'],
		[65, '1:05:00'],
		// What is over is said beside it.
		[-1.5, '1:30']
	])('of a clock: %d minutes are %s', (minutes, text) => {
		expect(clockText(minutes)).toBe(text);
	});
	it.each([
		[20, 30, '20 to 30 min'],
		[20, 20, '20 min'],
		[20, null, '20 min'],
		[null, 30, '30 min'],
		[null, null, '']
	])('of a step from %s to %s', (minutesLow, minutesHigh, text) => {
		expect(timesText({ minutesLow, minutesHigh })).toBe(text);
	});
});
