import type { Outcome } from '../problem.ts';
import { assembleDay, type AssembledDay, type DayWish } from './assemble.ts';
import { PEOPLE, type DayPlan } from './day.ts';
import { lanesOf, type Lane } from './lanes.ts';
import { toolResource, type Tool } from './making.ts';
import { planDay } from './plan-day.ts';
import type { Begun } from './search.ts';
import { simulate, type Simulated } from './simulate.ts';

/** A day that was planned. */
export interface PlannedDay {
	assembled: AssembledDay;
	plan: DayPlan;
	lanes: Lane[];
}

export interface Time {
	budget_ms: number;
	clock: () => number;
}

const SEED = 1;

/** The plan of what is wanted; `from` is what was planned before, so that little moves. Problems at `makes`. */
export function planWish(
	wish: DayWish,
	{ budget_ms, clock }: Time,
	from?: Pick<PlannedDay, 'assembled' | 'plan'>,
	withLimits = true
): Outcome<PlannedDay> {
	const assembled = assembleDay(wish);
	if (assembled.tasks.length === 0)
		return { ok: false, problems: [{ path: 'makes', message: 'nothing is to be made' }] };
	const planned = planDay(assembled.day, {
		budget_ms,
		seed: SEED,
		clock,
		withLimits,
		...(from && { from: carriedOver(assembled, from) })
	});
	if (!planned.ok) return planned;
	return {
		ok: true,
		value: { assembled, plan: planned.value, lanes: lanesOf(assembled, timed(planned.value), wish) }
	};
}

/** The ways and starts of a plan, in the order of the day's tasks. */
export const timed = ({ tasks }: Pick<DayPlan, 'tasks'>): Begun => ({
	modes: tasks.map(({ mode }) => mode),
	starts: tasks.map(({ start_min }) => start_min)
});

/** What was planned before, for the tasks of now. */
function carriedOver({ tasks }: AssembledDay, from: Pick<PlannedDay, 'assembled' | 'plan'>): Begun {
	const before = new Map(from.assembled.tasks.map(({ key }, place) => [key, from.plan.tasks[place]]));
	return {
		modes: tasks.map(({ key, task }) => {
			const mode = before.get(key)?.mode ?? 0;
			return mode < task.modes.length ? mode : 0;
		}),
		starts: tasks.map(({ key, task }) => task.fixed_min ?? before.get(key)?.start_min ?? 0)
	};
}

/** How sure a planned day is. */
export function howSure(
	{ assembled, plan }: Pick<PlannedDay, 'assembled' | 'plan'>,
	days?: number
): Simulated {
	return simulate(
		assembled.day,
		timed(plan),
		(place) => assembled.tasks[place]?.spread ?? { median: 1, p90: 1 },
		assembled.makes.map(({ pieces, rejectRate, spare }) => ({ pieces, rate: rejectRate, spare })),
		days === undefined ? {} : { days }
	);
}

/** What limits the day in words' terms: people, or a kind of tool. */
export function limitKind({ plan }: Pick<PlannedDay, 'plan'>, { tools }: DayWish): 'people' | Tool | null {
	if (plan.limits === null) return null;
	if (plan.limits === PEOPLE) return 'people';
	return tools.find(({ id }) => toolResource(id) === plan.limits) ?? null;
}
