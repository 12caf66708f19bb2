import { describe, expect, it } from 'vitest';
import { wantedPacks, type SoldDay } from './demand.ts';
import { expectedGain, howMany } from './how-many.ts';

const seen = (sold: number): SoldDay => ({ sold, soldOutAt: null });
const soldOut = (sold: number, soldOutAt: number): SoldDay => ({ sold, soldOutAt });
const of = (days: SoldDay[]) => wantedPacks(days).map(({ packs, probability }) => [packs, probability]);
const W = [1, 0.85, 0.85 ** 2, 0.85 ** 3];
const ALL = W.reduce((sum, weight) => sum + weight, 0);

describe('what is wanted of a day', () => {
	it('is what was sold, newer days weighing more', () => {
		const [eight, nine] = of([seen(9), seen(8), seen(9), seen(8)]);
		// (0.85 + 0.85³) of the whole weight sold 8
		expect(eight).toEqual([8, expect.closeTo(((W[1] ?? 0) + (W[3] ?? 0)) / ALL, 12)]);
		expect(nine).toEqual([9, expect.closeTo(((W[0] ?? 0) + (W[2] ?? 0)) / ALL, 12)]);
	});

	it('a day that sold out was at least that: its weight moves up', () => {
		// 6 seen, 7 sold out, 9 seen. S(6) = 1 − w₂/ALL₃; of who is left (7 sold out and 9) all of it at 9.
		const whole = 1 + 0.85 + 0.85 ** 2;
		const [six, nine] = of([seen(9), soldOut(7, 0.5), seen(6)]);
		expect(six).toEqual([6, expect.closeTo(0.85 ** 2 / whole, 12)]);
		expect(nine).toEqual([9, expect.closeTo(1 - 0.85 ** 2 / whole, 12)]);
	});

	it('at equal amounts what was seen counts before what was censored', () => {
		// 8 seen (1) and 8 sold out at 0.8 (0.85), both at risk: 1/1.85 at 8, the rest at ⌈8 / 0.8⌉ = 10
		expect(of([seen(8), soldOut(8, 0.8)])).toEqual([
			[8, expect.closeTo(1 / 1.85, 12)],
			[10, expect.closeTo(0.85 / 1.85, 12)]
		]);
	});

	it('above the largest that was seen, what sold out is spread by its hours', () => {
		// 5 seen (0.85²); above it two that sold out, 10 at 0.5 → 20 and 6 at 0.7 → ⌈8.57⌉ = 9
		const whole = 1 + 0.85 + 0.85 ** 2;
		const left = 1 - 0.85 ** 2 / whole;
		expect(of([soldOut(10, 0.5), soldOut(6, 0.7), seen(5)])).toEqual([
			[5, expect.closeTo(0.85 ** 2 / whole, 12)],
			[9, expect.closeTo((left * 0.85) / 1.85, 12)],
			[20, expect.closeTo(left / 1.85, 12)]
		]);
		// 7 / 0.7 is 10 and not the 10.000000000000002 of binary numbers, which would be 11
		expect(of([soldOut(7, 0.7)])).toEqual([[10, 1]]);
	});

	it('of no day nothing is known', () => expect(of([])).toEqual([]));
});

describe('how many to make', () => {
	const money = { price: '6.50', cost: '1.40', leftover: '0.00' };
	const days = [seen(7), seen(8), seen(9), seen(10)];

	it('the smallest whose cumulative probability reaches (p − c) ÷ (p − s)', () => {
		// (6.50 − 1.40) / 6.50 = 0.7846; from 7 up: 0.314, 0.581, 0.807
		const { walkUp, make, chanceOfSellingOut, expectedLeft, littleKnown } = howMany({
			...money,
			days,
			ordered: 2
		});
		expect([walkUp, make, littleKnown]).toEqual([9, 11, false]);
		expect(chanceOfSellingOut).toBeCloseTo((W[3] ?? 0) / ALL, 12);
		// 2 · 1 + 1 · 0.85, over the whole weight
		expect(expectedLeft).toBeCloseTo((2 + 0.85) / ALL, 12);
	});

	it('just at the ratio it is enough', () => {
		// Two amounts of half each would need equal weights: of one alone every ratio is met by it.
		expect(howMany({ ...money, days: [seen(5), seen(5), seen(5), seen(5)], ordered: 0 }).walkUp).toBe(5);
		// What is left over is worth nearly what it cost: make for nearly everybody.
		expect(howMany({ ...money, leftover: '1.39', days, ordered: 0 }).walkUp).toBe(10);
	});

	it('a price not above the cost makes only what is ordered', () => {
		const { make, walkUp, chanceOfSellingOut } = howMany({ ...money, cost: '6.50', days, ordered: 3 });
		expect([make, walkUp]).toEqual([3, 0]);
		expect(chanceOfSellingOut).toBeCloseTo(1, 12);
	});

	it('with fewer than four days the weighted median of what was sold, and says so', () => {
		// 1, 0.85, 0.7225: half is 1.286; up to 6: 0.85, up to 9: 1.85
		expect(howMany({ ...money, days: [seen(9), seen(6), seen(12)], ordered: 0 })).toMatchObject({
			walkUp: 9,
			littleKnown: true
		});
		expect(howMany({ ...money, days: [], ordered: 4 })).toEqual({
			make: 4,
			walkUp: 0,
			ordered: 4,
			chanceOfSellingOut: 0,
			expectedLeft: 0,
			distribution: [],
			littleKnown: true
		});
	});

	it('is where the expected gain is highest', () => {
		const { walkUp, distribution } = howMany({ ...money, days, ordered: 0 });
		const gain = (packs: number) => expectedGain(money, distribution, packs);
		expect(gain(walkUp)).toBeGreaterThan(gain(walkUp - 1));
		expect(gain(walkUp)).toBeGreaterThanOrEqual(gain(walkUp + 1));
	});
});
