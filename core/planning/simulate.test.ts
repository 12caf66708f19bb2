import { describe, expect, it } from 'vitest';
import { dayOf, make, task } from '../testing/days.ts';
import { chances } from '../testing/random-recipe.ts';
import { asItGoes, matters, tookOf } from './as-it-goes.ts';
import { lognormalFactor, Z90 } from './chance.ts';
import type { Day } from './day.ts';
import { Follower } from './follow.ts';
import { planDay } from './plan-day.ts';
import { timed } from './plan.ts';
import { AHEAD_MIN, simulate } from './simulate.ts';

const clock = () => performance.now();
const planOf = (day: Day) => {
	const outcome = planDay(day, { budget_ms: 60, seed: 1, clock, withLimits: false });
	if (!outcome.ok) throw new Error('no plan');
	return outcome.value;
};
const ROTI = dayOf({
	resources: { people: 1 },
	makes: [
		make('roti', [
			task('mix', 10, { waitLow_min: 30 }),
			task('cook', 20, { waitLow_min: 5 }),
			task('pack', 15)
		])
	]
});

describe('a lognormal through median and 90th percentile', () => {
	it('is the median at 0 and the 90th percentile at its normal', () => {
		expect(lognormalFactor({ median: 10, p90: 15 }, 0)).toBe(10);
		expect(lognormalFactor({ median: 10, p90: 15 }, Z90)).toBeCloseTo(15, 12);
		expect(lognormalFactor({ median: 10, p90: 10 }, 3)).toBe(10);
	});
});

describe('a plan that is followed', () => {
	it('takes a fridge’s grams as an amount, however many they are', () => {
		const chilled = dayOf({
			resources: { people: 1, fridge: 5_000_000_000 },
			makes: [make('roti', [task('mix', 10, { keeps: { fridge: 4_000 } }), task('pack', 15)])]
		});
		const course = new Follower(chilled, { modes: [0, 0], starts: [-60, -15] }).follow(
			(at) => [10, 15][at] ?? 0
		);
		expect(course.ends).toEqual([-50, 0]);
	});
	const starts = (minutes: number[], happened = new Map()) =>
		new Follower(ROTI, { modes: [0, 0, 0], starts: [-80, -40, -15] }).follow(
			(at) => minutes[at] ?? 0,
			happened
		);

	it('goes as planned where everything takes what was planned', () => {
		expect(starts([10, 20, 15]).starts).toEqual([-80, -40, -15]);
		expect(starts([10, 20, 15]).late_min).toEqual([0]);
	});

	it('is pushed on by what takes longer, and does not begin before its time by what takes less', () => {
		// Mixed 4 longer: cooked from −36 to −16, cool at −11, packed at 4
		expect(starts([14, 20, 15])).toMatchObject({
			starts: [-80, -36, -11],
			late_min: [4],
			heldBy: [-1, 0, 1]
		});
		expect(starts([5, 20, 15]).starts).toEqual([-80, -40, -15]);
	});

	it('goes on a little ahead where that is asked for, and nobody comes before the day begins', () => {
		const follower = new Follower(ROTI, { modes: [0, 0, 0], starts: [-80, -40, -15] });
		// Mixed in 4 and rested 30: cooked from −46, and packed as soon as it is cool
		const course = follower.follow((at) => [4, 20, 15][at] ?? 0, new Map(), -Infinity, 20);
		expect(course.starts).toEqual([-80, -46, -21]);
		expect(course.late_min).toEqual([-6]);
	});

	it('holds what has happened', () => {
		const happened = new Map([[0, { begun_min: -70, ended_min: -62 }]]);
		expect(starts([10, 20, 15], happened).starts).toEqual([-70, -32, -7]);
	});

	it('waits for a pan that is not free, and frees a bowl when it is divided', () => {
		const dough = (id: string) =>
			make(id, [task('mix', 10, { keeps: { bowl: 1 }, waitLow_min: 10 }), task('divide', 10)]);
		const day = dayOf({ resources: { people: 2, bowl: 1 }, makes: [dough('a'), dough('b')] });
		const follower = new Follower(day, { modes: [0, 0, 0, 0], starts: [-60, -40, -40, -20] });
		// The first takes 5 longer: it is divided at −35, and only then is the bowl free.
		const course = follower.follow((at) => (at === 0 ? 15 : 10));
		expect(course.starts).toEqual([-60, -35, -35, -15]);
		expect(course.late_min).toEqual([-25, -5]);
	});
});

describe('as the day goes', () => {
	const plan = planOf(ROTI);

	it('what has begun stays, and what comes after moves', () => {
		const going = asItGoes({ day: ROTI }, plan, new Map([[0, { begun_min: -80, ended_min: null }]]), -60);
		// It was to take 10 and has taken 20.
		expect(going.course.starts).toEqual([-80, -30, -5]);
		expect([going.next, going.packed_min]).toEqual([1, 10]);
	});

	it('says what comes next, and nothing once all has begun', () => {
		const all = new Map([0, 1, 2].map((place) => [place, { begun_min: -80 + place, ended_min: null }]));
		expect(asItGoes({ day: ROTI }, plan, new Map(), -200).next).toBe(0);
		expect(asItGoes({ day: ROTI }, plan, all, 0).next).toBeNull();
	});

	it('says afterwards what took how long beside what was planned', () => {
		const happened = new Map([
			[0, { begun_min: -80, ended_min: -64 }],
			// Nobody pressed it, and it is past.
			[1, { begun_min: -40, ended_min: -40 }],
			[2, { begun_min: -15, ended_min: null }]
		]);
		const tasks = ROTI.makes[0]?.tasks.map((of) => ({ task: of })) ?? [];
		expect(tookOf(tasks, plan, happened)).toEqual([{ place: 0, planned_min: 10, took_min: 16 }]);
	});

	it('is said anew where it moves by more than three minutes', () => {
		const at = (ended_min: number) =>
			asItGoes({ day: ROTI }, plan, new Map([[0, { begun_min: -80, ended_min }]]), -80);
		expect(matters(at(-70), at(-67))).toBe(false);
		expect(matters(at(-70), at(-66))).toBe(true);
	});
});

describe('chances of being in time', () => {
	it('are what would be seen, by decile of what is said', () => {
		// Days whose times are drawn by other numbers than the simulation's; 60 plans, each lived through 60 times.
		const chance = chances(77);
		const normal = () => Math.sqrt(-2 * Math.log(chance() + 1e-12)) * Math.cos(2 * Math.PI * chance());
		const said: { chance: number; inTime: boolean }[] = [];
		for (let nth = 0; nth < 60; nth++) {
			const minutes = () => 5 + Math.floor(chance() * 30);
			const day = dayOf({
				resources: { people: 2, pan: 1 },
				makes: ['a', 'b', 'c'].map((id) =>
					make(id, [
						task('mix', minutes(), { waitLow_min: 10 }),
						task('cook', 0, { modes: [{ uses: { people: 1, pan: 1 }, minutes: minutes() }], waitLow_min: 5 }),
						task('pack', 10)
					])
				)
			});
			const plan = planOf(day);
			const cushion = 0.75 + chance() * 0.3;
			const spread = { median: cushion * 0.9, p90: cushion * 1.1 };
			const { inTime } = simulate(day, timed(plan), () => spread, [], { days: 600, seed: nth });
			const follower = new Follower(day, timed(plan));
			const sd = Math.log(spread.p90 / spread.median) / Z90;
			for (let lived = 0; lived < 60; lived++) {
				const { late_min } = follower.follow(
					(at) => follower.minutes(at) * spread.median * Math.exp(sd * normal()),
					new Map(),
					-Infinity,
					AHEAD_MIN
				);
				said.push({ chance: inTime, inTime: Math.max(...late_min) <= 0.5 });
			}
		}
		for (let decile = 0; decile < 10; decile++) {
			const of = said.filter((each) => Math.min(9, Math.floor(each.chance * 10)) === decile);
			if (of.length < 200) continue;
			const expected = of.reduce((sum, each) => sum + each.chance, 0) / of.length;
			const seen = of.filter((each) => each.inTime).length / of.length;
			// Three standard errors of what was seen and of what was said.
			expect(Math.abs(seen - expected), `decile ${decile}`).toBeLessThan(
				3 * Math.sqrt(0.25 / of.length + 0.25 / 600)
			);
		}
		expect(said.length).toBe(3600);
	});
});
