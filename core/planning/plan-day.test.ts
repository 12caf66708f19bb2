import { describe, expect, it } from 'vitest';
import { dayOf, make, task } from '../testing/days.ts';
import { chances } from '../testing/random-recipe.ts';
import type { Day, DayPlan, Task } from './day.ts';
import { conflictOf, networkOf, placedTasks } from './network.ts';
import { planDay } from './plan-day.ts';

const planned = (
	given: Pick<Day, 'resources' | 'makes'> & Partial<Day>,
	budget_ms = 3000,
	withLimits = true
): DayPlan => {
	const day = dayOf(given);
	const outcome = planDay(day, { budget_ms, seed: 1, clock: () => performance.now(), withLimits });
	if (!outcome.ok) throw new Error(outcome.problems[0]?.message);
	return outcome.value;
};
const starts = (plan: DayPlan) => plan.tasks.map(({ start_min }) => start_min);

describe('a day backwards', () => {
	it('one make: each task ends when the next may start', () => {
		// pack 15 ends at 0; cook 20 before it and 5 to cool; mix 10 and 30 to rest before that
		const plan = planned({
			resources: { people: 1 },
			makes: [
				make('roti', [
					task('mix', 10, { waitLow_min: 30 }),
					task('cook', 20, { waitLow_min: 5 }),
					task('pack', 15)
				])
			]
		});
		expect(starts(plan)).toEqual([-80, -40, -15]);
		expect([plan.firstStart_min, plan.handsOn_min, plan.late_min]).toEqual([-80, 45, 0]);
		expect(plan.limits).toBeNull();
	});

	it('two makes and one person: the second is worked while the first rests', () => {
		const roti = (id: string) => make(id, [task('mix', 10, { waitLow_min: 30 }), task('cook', 20)]);
		// 60 minutes of hands for one person, and 30 of rest: −60 at best, and it can be
		const plan = planned({ resources: { people: 1 }, makes: [roti('a'), roti('b')] });
		expect(plan.firstStart_min).toBe(-80);
		expect(plan.limits).toBe('people');
	});

	it('what is kept is held until the task that frees it starts', () => {
		// One bowl: the second dough is mixed once the first is divided.
		const dough = (id: string) =>
			make(id, [
				task('mix', 10, { keeps: { bowl: 1 }, keepsUntil: 'divide', waitLow_min: 30, waitHigh_min: 60 }),
				task('divide', 10)
			]);
		const one = planned({ resources: { people: 2, bowl: 1 }, makes: [dough('a'), dough('b')] });
		// Mix and rest of one are 40, twice, and the last divide: −90
		expect(one.firstStart_min).toBe(-90);
		expect(one.limits).toBe('bowl');
		expect(
			planned({ resources: { people: 2, bowl: 2 }, makes: [dough('a'), dough('b')] }).firstStart_min
		).toBe(-50);
	});

	it('a longest wait is kept: what would wait longer begins later', () => {
		const plan = planned({
			resources: { people: 1 },
			makes: [
				make('held', [task('mix', 10, { waitLow_min: 0, waitHigh_min: 15 }), task('cook', 30)]),
				make('other', [task('bake', 40)])
			]
		});
		const [mix = 0, cook = 0] = starts(plan);
		expect(cook - (mix + 10)).toBeLessThanOrEqual(15);
		expect(plan.firstStart_min).toBe(-80);
	});

	it('of two ways the one that lets the day begin later, then the one with fewer person-minutes', () => {
		const cook = task('cook', 70, {
			modes: [
				{ uses: { people: 1 }, minutes: 70 },
				{ uses: { people: 2 }, minutes: 45 }
			]
		});
		const two = planned({ resources: { people: 2 }, makes: [make('roti', [cook])] });
		expect([two.firstStart_min, two.handsOn_min, two.tasks[0]?.mode]).toEqual([-45, 90, 1]);
		const one = planned({ resources: { people: 1 }, makes: [make('roti', [cook])] });
		expect([one.firstStart_min, one.tasks[0]?.mode]).toEqual([-70, 0]);
		// Both begin the day at −70: one person is fewer minutes.
		const long = planned({
			resources: { people: 3 },
			makes: [make('roti', [cook]), make('other', [task('bake', 70)])]
		});
		expect([long.firstStart_min, long.handsOn_min]).toEqual([-70, 140]);
	});

	it('says what each could slip to, all else as planned', () => {
		const plan = planned({
			resources: { people: 1, oven: 1 },
			makes: [
				make('roti', [task('mix', 10, { waitLow_min: 10, waitHigh_min: 60 }), task('cook', 20)]),
				make('early', [task('bake', 10)], 0)
			]
		});
		for (const each of plan.tasks) expect(each.latestStart_min).toBeGreaterThanOrEqual(each.start_min);
		const last = plan.tasks.toSorted((a, b) => b.start_min - a.start_min)[0];
		expect(last?.latestStart_min).toBe(last?.start_min);
	});

	it('says where more is needed than there is', () => {
		const outcome = planDay(
			dayOf({
				resources: { people: 1 },
				makes: [make('roti', [task('cook', 5, { modes: [{ uses: { people: 2 }, minutes: 5 }] })])]
			}),
			{ budget_ms: 100, seed: 1, clock: () => performance.now() }
		);
		expect(outcome.ok ? [] : outcome.problems.map(({ path }) => path)).toEqual(['makes[0].tasks[0].modes']);
	});
});

/** Days small enough to try every start of every task. */
function smallDay(seed: number): Day {
	const chance = chances(seed);
	const whole = (low: number, high: number) => low + Math.floor(chance() * (high - low + 1));
	const makes = Array.from({ length: 2 }, (_, nth) =>
		make(
			`m${nth}`,
			Array.from({ length: 2 }, (_, at) =>
				task(`t${at}`, whole(1, 4), {
					modes: [
						{ uses: { people: 1, pan: whole(0, 1) }, minutes: whole(1, 4) },
						...(chance() < 0.4 ? [{ uses: { people: 2 }, minutes: whole(1, 3) }] : [])
					],
					...(at === 0
						? {
								keeps: chance() < 0.5 ? { bowl: 1 } : {},
								waitLow_min: whole(0, 3),
								waitHigh_min: chance() < 0.5 ? whole(3, 5) : null
							}
						: {})
				})
			),
			-whole(0, 3)
		)
	);
	return dayOf({ resources: { people: whole(1, 2), pan: 1, bowl: 1 }, makes });
}

/** The latest first start by trying everything, and the fewest person-minutes with it. */
function byTrying(day: Day): [number, number] {
	const placed = placedTasks(day);
	let best: [number, number] = [-Infinity, Infinity];
	const MOST = 26;
	const modes: number[] = [];
	const chosen: number[] = [];
	const tryStarts = (at: number, network: ReturnType<typeof networkOf>): void => {
		if (at === placed.length) {
			for (const { before, after, lag } of network.orders)
				if ((chosen[before] ?? 0) + lag > (chosen[after] ?? 0)) return;
			const first = Math.min(...chosen);
			if (first < best[0] || (first === best[0] && network.handsOn_min >= best[1])) return;
			if (!conflictOf(chosen, network, day.resources)) best = [first, network.handsOn_min];
			return;
		}
		const latest = network.latest[at] ?? 0;
		for (let start = latest; start >= -MOST && start >= best[0]; start--) {
			chosen[at] = start;
			const bound = network.orders.find(({ before, after }) => before === at - 1 && after === at);
			if (bound && (chosen[at - 1] ?? 0) + bound.lag > start) break;
			tryStarts(at + 1, network);
		}
	};
	const tryModes = (at: number): void => {
		if (at === placed.length) {
			tryStarts(
				0,
				networkOf(day, (place) => placed[place]?.modes[modes[place] ?? 0] ?? { uses: {}, minutes: 0 }, -MOST)
			);
			return;
		}
		for (const [mode, { uses }] of (placed[at]?.modes ?? []).entries()) {
			if ((uses.people ?? 0) > (day.resources.people ?? 0)) continue;
			modes[at] = mode;
			tryModes(at + 1);
		}
	};
	tryModes(0);
	return best;
}

describe('a day that is held', () => {
	const roti = (more: Partial<Task> = {}) =>
		make('roti', [task('mix', 10, { waitLow_min: 30, ...more }), task('cook', 20)]);

	it('is as late as the earliest start makes it', () => {
		// 60 minutes from −45 end at 15
		const plan = planned({ resources: { people: 1 }, makes: [roti()], earliest_min: -45 });
		expect([plan.late_min, starts(plan)]).toEqual([15, [-45, -5]]);
		expect(planned({ resources: { people: 1 }, makes: [roti()], earliest_min: -60 }).late_min).toBe(0);
	});

	it('leaves what has begun where it is', () => {
		// Mixed from −50: cooked 20 before 0 at the latest, and from −10 at the earliest
		expect(starts(planned({ resources: { people: 1 }, makes: [roti({ fixed_min: -70 })] }))).toEqual([
			-70, -20
		]);
		const late = planned({ resources: { people: 1 }, makes: [roti({ fixed_min: -50 })] });
		expect([late.late_min, starts(late)]).toEqual([10, [-50, -10]]);
	});

	it('does nothing while nobody is there, and may wait through it', () => {
		const night = { resource: 'people', amount: 1, from_min: -60, to_min: -15 };
		// Cooked 20 before 0 would begin at −20: it has to be over before the night, and then mixed before that
		expect(starts(planned({ resources: { people: 1 }, makes: [roti()], closed: [night] }))).toEqual([
			-120, -80
		]);
	});

	it('makes what carries an allergen after what does not, where it would be carried', () => {
		const one = (id: string) =>
			make(id, [task('cook', 10, { modes: [{ uses: { people: 1, pan: 1 }, minutes: 10 }] })]);
		const day = { resources: { people: 2, pan: 1 }, makes: [one('sesame'), one('plain')], carries: ['pan'] };
		const after = (first: string, then: string) => starts(planned({ ...day, sequences: [{ first, then }] }));
		expect(after('plain', 'sesame')).toEqual([-10, -20]);
		expect(after('sesame', 'plain')).toEqual([-20, -10]);
	});
});

describe('against trying everything', () => {
	it('on 60 small days it is the latest first start, and the fewest person-minutes with it', () => {
		for (let seed = 0; seed < 60; seed++) {
			const day = smallDay(seed);
			const [first, handsOn] = byTrying(day);
			const plan = planned(day, 600, false);
			expect([plan.firstStart_min, plan.handsOn_min], `day ${seed}`).toEqual([first, handsOn]);
		}
	});
});

it('twenty batches, three people and four pans: an answer in the time, with nothing overdrawn', () => {
	const makes = Array.from({ length: 20 }, (_, nth) =>
		make(`b${nth}`, [
			task('mix', 10, { keeps: { bowl: 1 }, keepsUntil: 'divide', waitLow_min: 30, waitHigh_min: 240 }),
			task('divide', 12, { waitLow_min: 15, waitHigh_min: 120 }),
			task('cook', 40, { modes: [{ uses: { people: 1, pan: 2 }, minutes: 40 }], waitLow_min: 20 }),
			task('pack', 8)
		])
	);
	const day = dayOf({ resources: { people: 3, pan: 4, bowl: 6 }, makes });
	const plan = planned(day, 1500);
	const network = networkOf(
		day,
		(place) => placedTasks(day)[place]?.modes[0] ?? { uses: {}, minutes: 0 },
		-Infinity
	);
	expect(conflictOf(starts(plan), network, day.resources)).toBeNull();
	for (const { before, after, lag } of network.orders)
		expect((starts(plan)[before] ?? 0) + lag).toBeLessThanOrEqual(starts(plan)[after] ?? 0);
	// 20 · 70 minutes of hands over three people are 467 at least.
	expect(plan.firstStart_min).toBeLessThanOrEqual(-467);
});
