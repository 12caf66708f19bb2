import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apportion, Money, safelyFixed, sumMoney } from './money.ts';

const text = (parts: ReturnType<typeof apportion>) => parts.map((part) => part.toFixed(2));
const of = (...amounts: string[]) => amounts.map((amount) => new Money(amount));

describe('apportion', () => {
	it('gives the missing cent to the part that was rounded down most', () => {
		// 3.334 → 3.33, 3.333 → 3.33, 3.333 → 3.33: together 9.99 of 10.00
		expect(text(apportion(of('3.334', '3.333', '3.333'), new Money('10'), 2))).toEqual([
			'3.34',
			'3.33',
			'3.33'
		]);
	});

	it('takes the cent over from the part that was rounded up most', () => {
		// 0.335 → 0.34, 0.336 → 0.34, 0.329 → 0.33: 1.01 of 1.00
		expect(text(apportion(of('0.335', '0.336', '0.329'), new Money('1'), 2))).toEqual([
			'0.33',
			'0.34',
			'0.33'
		]);
	});

	it('leaves parts that add up as they are, below zero too', () => {
		expect(text(apportion(of('1.20', '-0.50'), new Money('0.70'), 2))).toEqual(['1.20', '-0.50']);
		expect(apportion([], new Money(0), 2)).toEqual([]);
	});

	it('always adds up, and moves no part by more than the units it has to', () => {
		const part = fc.integer({ min: -1_000_000, max: 1_000_000 }).map((value) => new Money(value).div(7919));
		fc.assert(
			fc.property(fc.array(part, { minLength: 1, maxLength: 12 }), (parts) => {
				const total = sumMoney(parts).toDecimalPlaces(2);
				const given = apportion(parts, total, 2);
				expect(sumMoney(given).toFixed(2)).toBe(total.toFixed(2));
				given.forEach((each, index) => {
					expect(
						each
							.minus(parts[index] ?? 0)
							.abs()
							.toNumber()
					).toBeLessThanOrEqual(0.015);
				});
			})
		);
	});

	it('sums are the same in any order', () => {
		const amounts = fc.array(
			fc.integer({ min: -99_999, max: 99_999 }).map((cents) => new Money(cents).div(100).toFixed(2))
		);
		fc.assert(
			fc.property(amounts, (given) => {
				const cents = given.reduce((sum, amount) => sum + Math.round(Number(amount) * 100), 0);
				expect(sumMoney(given).times(100).toNumber()).toBe(cents);
				expect(sumMoney(given.toReversed()).toFixed(2)).toBe(sumMoney(given.toSorted()).toFixed(2));
			})
		);
	});
});

describe('an amount computed in binary', () => {
	it('prints as the exact one does, or says that it cannot tell', () => {
		fc.assert(
			fc.property(
				fc.array(fc.tuple(fc.integer({ min: 0, max: 5_000_000 }), fc.integer({ min: 1, max: 50_000 })), {
					minLength: 1,
					maxLength: 40
				}),
				(lines) => {
					const binary = lines.reduce((sum, [cents, grams]) => sum + (cents / 100 / 25_000) * grams, 0);
					const exact = sumMoney(
						lines.map(([cents, grams]) => new Money(cents).div(100).div(25_000).times(grams))
					);
					for (const places of [2, 4] as const) {
						const text = safelyFixed(binary, places);
						if (text !== null) expect(text).toBe(exact.toFixed(places));
					}
				}
			)
		);
	});

	it.each([0.125, 2.675, 1e9, -1, NaN])('%d is left to exact decimals', (amount) => {
		expect(safelyFixed(amount, 2)).toBeNull();
	});

	it.each([
		[0, '0.00'],
		[0.1249, '0.12'],
		[0.1251, '0.13'],
		[12.999, '13.00']
	])('%d is %s', (amount, text) => {
		expect(safelyFixed(amount, 2)).toBe(text);
	});
});
