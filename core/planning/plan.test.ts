import { describe, expect, it } from 'vitest';
import { dayWish, tool, wishOf } from '../testing/wishes.ts';
import type { DayWish } from './assemble.ts';
import { howSure, planWish, type PlannedDay } from './plan.ts';
import { waysOut, triesOf } from './ways-out.ts';

const clock = () => performance.now();
const planned = (wish: DayWish, budget_ms = 150): PlannedDay => {
	const outcome = planWish(wish, { budget_ms, clock }, undefined, false);
	if (!outcome.ok) throw new Error(outcome.problems[0]?.message);
	return outcome.value;
};
const SATURDAY = dayWish([
	wishOf('roti', {}, { packs: 5 }),
	wishOf('pita', { cooking: 'oven', leavening: 'yeast' }, { packs: 6, packPieces: 5, ballWeight_g: 84 }),
	wishOf('layered', {}, { packs: 4, packPieces: 4, ballWeight_g: 92, allergens: ['wheat', 'sesame'] })
]);

describe('a planned day', () => {
	it('is on lanes, no two things at once on any', () => {
		for (const { id, stretches } of planned(SATURDAY).lanes) {
			const sorted = stretches.toSorted((a, b) => a.from_min - b.from_min);
			for (const [at, { from_min }] of sorted.entries())
				if (at > 0) expect(from_min, id).toBeGreaterThanOrEqual(sorted[at - 1]?.to_min ?? 0);
		}
	});

	it('has every hand its lane has: as many people as a task takes', () => {
		const { lanes, plan, assembled } = planned(SATURDAY);
		for (const [place, { mode }] of plan.tasks.entries()) {
			const people = assembled.tasks[place]?.task.modes[mode]?.uses.people ?? 0;
			const on = lanes.filter(
				({ id, stretches }) => id.startsWith('people') && stretches.some((each) => each.place === place)
			);
			expect(on).toHaveLength(people);
		}
	});

	it('makes what has more allergens last where they would be carried, and cleans where they still are', () => {
		const { assembled } = planned(SATURDAY);
		expect(assembled.carried.order.at(-1)).toBe('layered');
		expect(assembled.carried.cleans).toEqual([]);
		const two = planned(
			dayWish([
				wishOf('roti', {}, { packs: 2, allergens: ['wheat', 'milk'] }),
				wishOf('layered', {}, { packs: 2, allergens: ['wheat', 'sesame'] })
			])
		);
		expect(two.assembled.carried.cleans).toHaveLength(1);
		const cleaned = two.assembled.tasks.filter(({ words }) => words.includes('clean'));
		expect(cleaned.map(({ make }) => make)).toEqual(two.assembled.carried.cleans);
	});

	it('lets a pin stand and says what it makes late', () => {
		const before = planned(SATURDAY);
		const pinned = planned({ ...SATURDAY, pins: { 'roti divide': -60 } });
		const at = pinned.assembled.tasks.findIndex(({ key }) => key === 'roti divide');
		expect(pinned.plan.tasks[at]?.start_min).toBe(-60);
		expect([before.plan.late_min, pinned.plan.late_min > 0]).toEqual([0, true]);
	});

	it('waits through a night it is chilled over', () => {
		const wish = dayWish([wishOf('pita', {}, { packs: 4, overnight: true })], {
			earliest_min: -960,
			nights: [{ from_min: -660, to_min: -240 }]
		});
		const { plan } = planned(wish, 400);
		expect(plan.late_min).toBe(0);
		const [mix, divide] = plan.tasks;
		// Eight hours in the cold and half an hour to come to the room, after the mix and the rise.
		expect((divide?.start_min ?? 0) - (mix?.start_min ?? 0)).toBeGreaterThanOrEqual(510);
		expect(mix?.start_min).toBeLessThan(-660);
	});

	it('begins the evening before where the morning is too short, however far the night moves each thing', () => {
		// Two hours and a quarter of morning: everything but the packing has to be over by the evening.
		const wish = { ...SATURDAY, earliest_min: -1035, nights: [{ from_min: -675, to_min: -135 }] };
		const { plan, assembled } = planned(wish, 300);
		expect(plan.late_min).toBe(0);
		for (const [at, { start_min, mode }] of plan.tasks.entries()) {
			const end = start_min + (assembled.tasks[at]?.task.modes[mode]?.minutes ?? 0);
			expect(end <= -675 || start_min >= -135).toBe(true);
		}
	});

	it('says there is nothing to do where nothing is to be made', () => {
		const nothing = planWish(dayWish([wishOf('roti', {}, { packs: 0 })]), { budget_ms: 50, clock });
		expect(nothing).toMatchObject({ ok: false, problems: [{ path: 'makes' }] });
	});
});

describe('ways out', () => {
	it('are tried: each gives what taking it gives, and is better', () => {
		const now = planned(SATURDAY, 300);
		const ways = waysOut(SATURDAY, now, { budget_ms: 2000, clock }, null);
		expect(ways.length).toBeGreaterThan(0);
		for (const way of ways) {
			expect(way.firstStart_min).toBeGreaterThan(now.plan.firstStart_min);
			const tried = triesOf(SATURDAY, now, null).find(
				({ kind, of, from_min }) => kind === way.kind && of === way.of && from_min === way.from_min
			);
			const taken = planned(tried?.changed ?? SATURDAY, 400);
			expect(taken.plan.late_min).toBe(0);
			expect(taken.plan.firstStart_min).toBeGreaterThanOrEqual(way.firstStart_min - 5);
		}
	});

	it('ask nobody to help at night', () => {
		const night = { from_min: -675, to_min: -135 };
		const wish = { ...SATURDAY, earliest_min: -1035, nights: [night] };
		const hours = triesOf(wish, planned(wish, 300), null).filter(({ kind }) => kind === 'helper');
		expect(hours.length).toBeGreaterThan(0);
		for (const { from_min } of hours) {
			const from = from_min ?? 0;
			expect(from + 60 <= night.from_min || from >= night.to_min).toBe(true);
		}
	});

	it('let a day be in time that cannot be', () => {
		const late = { ...SATURDAY, earliest_min: -200 };
		const now = planned(late, 400);
		expect(now.plan.late_min).toBeGreaterThan(0);
		const ways = waysOut(late, now, { budget_ms: 3000, clock }, { earliest_min: -960, nights: [] });
		expect(ways[0]).toMatchObject({ late_min: 0 });
		for (const { late_min } of ways) expect(late_min).toBeLessThan(now.plan.late_min);
	});
});

describe('how sure a day is', () => {
	it('is sure where nothing varies and nothing is spoilt', () => {
		const { assembled, plan } = planned(SATURDAY);
		const fixed = {
			...assembled,
			tasks: assembled.tasks.map((each) => ({ ...each, spread: { median: 1, p90: 1 } }))
		};
		expect(howSure({ assembled: fixed, plan }, 50)).toMatchObject({ inTime: 1, causes: [], late90_min: 0 });
	});

	it('is surer planned by the safe time than by the usual', () => {
		const of = (reckoning: DayWish['reckoning']) => howSure(planned({ ...SATURDAY, reckoning }), 400).inTime;
		expect(of('safe')).toBeGreaterThan(of('usual') + 0.2);
	});

	it('blames too few pieces where nothing can be spared', () => {
		const { assembled, plan } = planned(SATURDAY);
		const none = {
			...assembled,
			tasks: assembled.tasks.map((each) => ({ ...each, spread: { median: 1, p90: 1 } })),
			makes: assembled.makes.map((each, at) => (at === 1 ? { ...each, rejectRate: 0.5 } : each))
		};
		const sure = howSure({ assembled: none, plan }, 100);
		expect(sure.inTime).toBe(0);
		expect(sure.causes).toEqual([{ place: null, make: 1, share: 1 }]);
	});
});

it('a dough larger than the largest bowl is two mixes, and the first is cooked first', () => {
	const bowls = [tool('bowl', 'bowl', { capacity_g: 3000 }), tool('griddle', 'griddle')];
	const roti = wishOf('roti', {}, { packs: 9, tools: ['bowl', 'griddle'] });
	// 9 packs of 8 at 60 g are 4,320 g: two mixes of 4 and 5 packs
	const { assembled, plan } = planned(dayWish([roti], { tools: bowls }), 400);
	expect(assembled.makes.map(({ packs, dough_g }) => [packs, dough_g])).toEqual([
		[4, 1920],
		[5, 2400]
	]);
	const start = (key: string) =>
		plan.tasks[assembled.tasks.findIndex((each) => each.key === key)]?.start_min ?? 0;
	expect(start('roti 1 cook')).toBeLessThan(start('roti 2 cook'));
});
