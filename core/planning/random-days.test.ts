import { cases } from '../testing/cases.ts';
import { describe, expect, it } from 'vitest';
import { dayOf, make, task } from '../testing/days.ts';
import { chances } from '../testing/random-recipe.ts';
import type { Day, DayPlan } from './day.ts';
import { planDay } from './plan-day.ts';

/** A day of a few batches as kitchens have them, some of it pinned, closed or in an order. */
function randomDay(seed: number): Day {
	const chance = chances(seed);
	const whole = (low: number, high: number) => low + Math.floor(chance() * (high - low + 1));
	const often = (share: number) => chance() < share;
	const resources = { people: whole(1, 3), griddle: whole(1, 2), bowl: whole(1, 2), oven: 1 };
	const makes = Array.from({ length: whole(1, 4) }, (_, nth) => {
		const heat = often(0.7) ? 'griddle' : 'oven';
		return make(
			`m${nth}`,
			[
				task('mix', whole(5, 20), {
					keeps: { bowl: 1 },
					keepsUntil: 'divide',
					waitLow_min: whole(10, 40),
					waitHigh_min: often(0.7) ? whole(60, 200) : null
				}),
				task('divide', whole(5, 20), {
					waitLow_min: whole(5, 20),
					waitHigh_min: often(0.5) ? whole(60, 200) : null
				}),
				task('cook', 0, {
					modes: [
						{ uses: { people: 1, [heat]: 1 }, minutes: whole(20, 60) },
						...(resources.people > 1 && often(0.5)
							? [{ uses: { people: 2, [heat]: 1 }, minutes: whole(10, 40) }]
							: [])
					],
					waitLow_min: whole(0, 20)
				}),
				task('pack', whole(5, 15))
			],
			often(0.3) ? -whole(0, 60) : 0
		);
	});
	const [first, then] = makes;
	return dayOf({
		resources,
		makes,
		earliest_min: often(0.3) ? -whole(150, 400) : null,
		closed: often(0.3)
			? [{ resource: 'people', amount: 1, from_min: -whole(100, 140), to_min: -whole(40, 90) }]
			: [],
		sequences: first && then && often(0.4) ? [{ first: first.id, then: then.id }] : [],
		carries: ['griddle', 'bowl']
	});
}

/** Every rule a plan breaks, in words: reckoned minute by minute, by nothing the planner uses. */
function broken(day: Day, plan: DayPlan): string[] {
	const said: string[] = [];
	const planned = (makeId: string, taskId: string) =>
		plan.tasks.find((each) => each.make === makeId && each.task === taskId);
	const used = new Map<string, number>();
	const on = new Map<string, { make: string; from: number; to: number }[]>();
	const use = (makeId: string, resource: string, amount: number, from: number, to: number) => {
		if (amount === 0 || to <= from) return;
		for (let minute = from; minute < to; minute++) {
			const key = `${resource} at ${minute}`;
			used.set(key, (used.get(key) ?? 0) + amount);
		}
		on.set(resource, [...(on.get(resource) ?? []), { make: makeId, from, to }]);
	};
	for (const { id, ready_min, tasks } of day.makes)
		for (const [at, each] of tasks.entries()) {
			const here = planned(id, each.id);
			const mode = each.modes[here?.mode ?? -1];
			if (!here || !mode) return [`${id} ${each.id} is not planned`];
			const end = here.start_min + mode.minutes;
			if (each.fixed_min !== null && here.start_min !== each.fixed_min)
				said.push(`${id} ${each.id} is not where it was fixed`);
			if (each.fixed_min === null && day.earliest_min !== null && here.start_min < day.earliest_min)
				said.push(`${id} ${each.id} begins too early`);
			if (here.latestStart_min < here.start_min)
				said.push(`${id} ${each.id} could not even start when it does`);
			for (const [resource, amount] of Object.entries(mode.uses))
				use(id, resource, amount, here.start_min, end);
			const next = tasks[at + 1];
			if (!next) {
				if (end > ready_min + plan.late_min) said.push(`${id} is later than is said`);
				continue;
			}
			const then = planned(id, next.id)?.start_min ?? 0;
			if (then < end + each.waitLow_min) said.push(`${id} ${next.id} begins before it may`);
			if (each.waitHigh_min !== null && then > end + each.waitHigh_min)
				said.push(`${id} ${next.id} waits too long`);
			const until = planned(id, each.keepsUntil ?? next.id)?.start_min ?? 0;
			for (const [resource, amount] of Object.entries(each.keeps))
				use(id, resource, amount, here.start_min, until);
		}
	for (const { resource, amount, from_min, to_min } of day.closed)
		use('', resource, amount, from_min, to_min);
	for (const [key, amount] of used)
		if (amount > (day.resources[key.split(' ')[0] ?? ''] ?? 0)) said.push(`too much of ${key}`);
	for (const { first, then } of day.sequences)
		for (const resource of day.carries)
			for (const before of on.get(resource) ?? [])
				for (const after of on.get(resource) ?? [])
					if (before.make === first && after.make === then && before.to > after.from)
						said.push(`${then} is on the ${resource} before ${first} is off`);
	const first = Math.min(...plan.tasks.map(({ start_min }) => start_min));
	if (first !== plan.firstStart_min) said.push('the first start is another');
	return said;
}

const DAYS = cases(2000);

describe('plans of random days', () => {
	it(`keep every rule, on ${DAYS} of them`, () => {
		let planned = 0;
		for (let seed = 0; seed < DAYS; seed++) {
			const day = randomDay(seed);
			const outcome = planDay(day, { budget_ms: 3, seed, clock: () => performance.now(), withLimits: false });
			if (!outcome.ok) continue;
			planned++;
			expect(broken(day, outcome.value), `day ${seed}`).toEqual([]);
		}
		// Hardly any finds no way in so little time.
		expect(planned).toBeGreaterThan(DAYS * 0.95);
	});

	it('pinned where they are, they are the same again', () => {
		for (let seed = 0; seed < cases(50); seed++) {
			const day = { ...randomDay(seed), earliest_min: null };
			const ask = (of: Day) =>
				planDay(of, { budget_ms: 30, seed, clock: () => performance.now(), withLimits: false });
			const first = ask(day);
			if (!first.ok) continue;
			let place = 0;
			const pinned = {
				...day,
				makes: day.makes.map((of) => ({
					...of,
					tasks: of.tasks.map((each) => {
						const here = first.value.tasks[place++];
						const mode = each.modes[here?.mode ?? 0];
						return { ...each, modes: mode ? [mode] : [], fixed_min: here?.start_min ?? 0 };
					})
				}))
			};
			const again = ask(pinned);
			expect(again.ok && [again.value.late_min, again.value.firstStart_min], `day ${seed}`).toEqual([
				0,
				first.value.firstStart_min
			]);
		}
	});

	it('with one more of anything are never later, where they are searched whole', () => {
		for (let seed = 0; seed < cases(40); seed++) {
			const chance = chances(seed);
			const whole = (low: number, high: number) => low + Math.floor(chance() * (high - low + 1));
			const makes = Array.from({ length: 2 }, (_, nth) =>
				make(`m${nth}`, [
					task('mix', whole(2, 8), { waitLow_min: whole(0, 6), keeps: { bowl: 1 } }),
					task('cook', 0, {
						modes: [{ uses: { people: 1, pan: 1 }, minutes: whole(5, 15) }],
						waitLow_min: 2
					}),
					task('pack', whole(2, 5))
				])
			);
			const first = (resources: Day['resources']) => {
				const outcome = planDay(dayOf({ resources, makes }), {
					budget_ms: 400,
					seed,
					clock: () => performance.now(),
					withLimits: false
				});
				return outcome.ok ? outcome.value.firstStart_min : -Infinity;
			};
			const now = first({ people: 1, pan: 1, bowl: 1 });
			expect(first({ people: 2, pan: 1, bowl: 1 }), `day ${seed}`).toBeGreaterThanOrEqual(now);
			expect(first({ people: 1, pan: 2, bowl: 1 }), `day ${seed}`).toBeGreaterThanOrEqual(now);
			expect(first({ people: 1, pan: 1, bowl: 2 }), `day ${seed}`).toBeGreaterThanOrEqual(now);
		}
	});
});
