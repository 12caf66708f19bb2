import { describe, expect, it } from 'vitest';
import { lossSoFar, moistureVerdict } from './cook.ts';
import { ballBoard, ballTolerance_g, halvings } from './divide.ts';
import { stepTaken, timerOf } from './timers.ts';
import { restFactor, weighInLine, weighTolerance_g } from './weigh-in.ts';

describe('weigh-in', () => {
	it('tolerance: 1.96 times the uncertainty of the readings, a step of the scale, or half a percent', () => {
		// 1.96 · 1/√12 · √2 = 0.800 g of one reading at 1 g steps: the step of 1 g is more
		expect(weighTolerance_g(20, 1, 1)).toBe(1);
		// of four readings 1.96 · 1/√12 · √2 · √4 = 1.600 g
		expect(weighTolerance_g(20, 4, 1)).toBeCloseTo(1.6, 3);
		// 0.5 % of 1000 g
		expect(weighTolerance_g(1000, 1, 1)).toBe(5);
	});

	it('there on both edges of the tolerance, under and over past them', () => {
		const at = (grams: number) => weighInLine(1000, 1, [grams], 1).state;
		expect([at(994.9), at(995), at(1005), at(1005.1)]).toEqual(['under', 'there', 'there', 'over']);
		expect(weighInLine(1000, 1, [], 1)).toMatchObject({ state: 'to weigh', missing_g: 1000 });
	});

	it('says what is missing after several readings, of a target the scale can show', () => {
		// 333 · 1.1 = 366.3 → 366 g at 1 g steps; 366 − 200 − 100 = 66 missing
		expect(weighInLine(333, 1.1, [200, 100], 1)).toMatchObject({
			state: 'under',
			target_g: 366,
			missing_g: 66
		});
	});

	it('the rest follows a line that came out otherwise', () => {
		expect(restFactor(1000, 1050)).toBe(1.05);
		expect([restFactor(0, 5), restFactor(100, 0)]).toEqual([null, null]);
	});
});

describe('divide', () => {
	it('marks balls by 3 % of the target, and by two steps of a coarse scale', () => {
		expect(ballTolerance_g(60, 0.1)).toBeCloseTo(1.8, 12);
		expect(ballTolerance_g(60, 1)).toBe(2);
		expect(ballBoard([58, 57.9, 62, 62.1], 60, null, 1).balls.map((ball) => ball.mark)).toEqual([
			'good',
			'light',
			'good',
			'heavy'
		]);
	});

	it('mean, spread, what is left and how many it still gives', () => {
		const board = ballBoard([59, 60, 61], 60, 500, 0.1);
		// s = √((1 + 0 + 1) / 2) = 1; 500 − 180 = 320 left; 320 / 60 = 5.33
		expect(board).toMatchObject({ mean_g: 60, spread_g: 1, left_g: 320, toGo: 5 });
		expect(ballBoard([60], 60, null, 0.1)).toMatchObject({ spread_g: null, left_g: null, toGo: null });
		// exactly as much left as the target gives one more
		expect(ballBoard([60, 60], 60, 180, 0.1).toGo).toBe(1);
	});

	it('a heavy ball gives to a light one when both hold afterwards', () => {
		const { gifts } = ballBoard([60, 64.1, 60, 56.2], 60, null, 0.1);
		// 4.1 over and 3.8 under: 3.8 across leaves +0.3 and 0
		expect(gifts).toEqual([{ from: 1, to: 3, grams: 3.8 }]);
	});

	it('no gift where one would still be off, and each gives once', () => {
		// +9 and −3: 3 across leaves +6
		expect(ballBoard([69, 57], 60, null, 0.1).gifts).toEqual([]);
		expect(ballBoard([64, 56, 56], 60, null, 0.1).gifts).toEqual([{ from: 0, to: 1, grams: 4 }]);
	});

	it('by halves: the scheme nearest to the target is among them', () => {
		// 1600 g for 60 g: 800, 400, 200, 100, 50; at 64 balls 25 g is less than half of 60
		expect(halvings(1600, 60).map(({ balls, ball_g }) => [balls, ball_g])).toEqual([
			[2, 800],
			[4, 400],
			[8, 200],
			[16, 100],
			[32, 50]
		]);
		expect(halvings(960, 60).at(-1)).toEqual({ balls: 32, ball_g: 30, off: -0.5 });
		expect(halvings(100, 60)).toEqual([{ balls: 2, ball_g: 50, off: 50 / 60 - 1 }]);
	});
});

describe('cook', () => {
	it('loss with the range its mean lies in', () => {
		// mean 51 of 60: 15 %; s = 1, t(0.975, 2) = 4.303: ± 4.303 · 1/√3 / 60 = 4.14 %
		const loss = lossSoFar([50, 51, 52], 60);
		expect(loss?.loss).toBeCloseTo(0.15, 12);
		expect(loss?.low).toBeCloseTo(0.15 - 0.0414, 4);
		expect(loss?.high).toBeCloseTo(0.15 + 0.0414, 4);
	});

	it('one piece gives a loss without a range, none nothing', () => {
		expect(lossSoFar([51], 60)).toMatchObject({ low: null, high: null, pieces: 1 });
		expect(lossSoFar([], 60)).toBeNull();
	});

	it('moisture: impossible below 0, unlikely outside 20 to 48 %', () => {
		expect([-0.01, 0, 0.199, 0.2, 0.48, 0.481].map(moistureVerdict)).toEqual([
			'impossible',
			'dry',
			'dry',
			'plausible',
			'plausible',
			'wet'
		]);
	});
});

describe('timers', () => {
	const begun = '2026-04-05T09:00:00.000Z';
	const after = (minutes: number) => new Date(Date.parse(begun) + minutes * 60_000).toISOString();
	const rest = { minutesLow: 20, minutesHigh: 30 };

	it('early before the shortest, late past the longest, in time at both', () => {
		const state = (minutes: number) => timerOf(rest, begun, after(minutes)).state;
		expect([19.9, 20, 30, 30.1].map(state)).toEqual(['early', 'in time', 'in time', 'late']);
		expect(timerOf(rest, begun, after(25))).toMatchObject({ toShortest_min: -5, toLongest_min: 5 });
	});

	it('with one time only: due at it', () => {
		expect(timerOf({ minutesLow: null, minutesHigh: 15 }, begun, after(14)).state).toBe('early');
		expect(timerOf({ minutesLow: 15, minutesHigh: null }, begun, after(500)).state).toBe('in time');
		expect(timerOf({ minutesLow: null, minutesHigh: null }, begun, after(5))).toMatchObject({
			state: 'in time',
			toShortest_min: null
		});
	});

	it('how far outside its times a step ended', () => {
		expect(stepTaken(rest, begun, after(12))).toEqual({ taken_min: 12, off_min: -8 });
		expect(stepTaken(rest, begun, after(20))).toEqual({ taken_min: 20, off_min: 0 });
		expect(stepTaken(rest, begun, after(41))).toEqual({ taken_min: 41, off_min: 11 });
	});
});
