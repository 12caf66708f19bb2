import type { Outcome, Problem } from '../problem.ts';
import type { Day, DayPlan } from './day.ts';
import { placedTasks } from './network.ts';
import { Search, type Begun, type Solution, type Time } from './search.ts';
import { latestAlone } from './slack.ts';

/** So much of the time goes to asking what one more of each resource would give. */
const SHARE_FOR_LIMITS = 0.3;
/** Where a day cannot be in time, how late is tried first, in minutes. */
const LATE_STEPS_MIN = [5, 15, 30, 60, 120, 240, 480, 960, 1920, 2880];
/** So much of what time is left each of them gets, and being in time at all. */
const SHARE_FOR_LATE = 0.05;
const SHARE_FOR_IN_TIME = 0.3;

/** How a day is planned beside what it is. */
export interface Planning {
	budget_ms: number;
	seed: number;
	/** The time in milliseconds. */
	clock: () => number;
	/** What is known to be a way already: it is gone on from. */
	from?: Begun;
	/** Whether to ask what one more of each resource would give. */
	withLimits?: boolean;
}

/**
 * When each task of a day starts, planned backwards (section 17): every make ready by its minute or as little late as
 * can be, then the latest first start, then the fewest person-minutes. Latest starts come from the orders of the tasks;
 * where they overdraw a resource, one of what holds it has to end before another begins, and each way is tried, the
 * best first. Small days are searched whole; of large ones the best is given that was found in the time.
 */
export function planDay(
	day: Day,
	{ budget_ms, seed, clock, from, withLimits = true }: Planning
): Outcome<DayPlan> {
	const problems = impossible(day);
	if (problems.length > 0) return { ok: false, problems };
	const begun = clock();
	const until = begun + budget_ms;
	const time = { until: begun + budget_ms * (withLimits ? 1 - SHARE_FOR_LIMITS : 1), seed, clock };
	const found = leastLate(day, time, from);
	if (!found)
		return {
			ok: false,
			problems: [{ path: 'makes', message: 'they cannot be made with what there is, however early or late' }]
		};
	const { best, late_min } = found;
	const tasks = placedTasks(day).map(({ make, task }, place) => ({
		make: day.makes[make]?.id ?? '',
		task: day.makes[make]?.tasks[task]?.id ?? '',
		mode: best.modes[place] ?? 0,
		start_min: best.starts[place] ?? 0,
		latestStart_min: latestAlone(day, best.modes, best.starts, place, late_min)
	}));
	return {
		ok: true,
		value: {
			late_min,
			firstStart_min: Math.min(...best.starts),
			handsOn_min: best.handsOn_min,
			tasks,
			limits: withLimits ? limitOf(day, { best, late_min }, { until, seed, clock }) : null
		}
	};
}

interface Late {
	best: Solution;
	late_min: number;
}

/** The best plan that is least late: none has to be where nothing says how early it may begin. */
function leastLate(day: Day, time: Time, from?: Begun): Late | null {
	const search = (late_min: number) => new Search(day, late_min, time, from);
	if (!isHeld(day)) {
		const best = search(0).best();
		return best && { best, late_min: 0 };
	}
	const moved = movedAsOne(day, time, from);
	if (moved) return moved;
	const { clock } = time;
	const quick = (late_min: number, share: number) =>
		new Search(
			day,
			late_min,
			{ ...time, until: clock() + Math.max(0, time.until - clock()) * share },
			from
		).quick();
	let tooLittle = 0;
	let enough: Late | null = null;
	for (const late_min of [0, ...LATE_STEPS_MIN]) {
		const best = quick(late_min, late_min === 0 ? SHARE_FOR_IN_TIME : SHARE_FOR_LATE);
		if (best) {
			enough = { best, late_min: lateOf(day, best) };
			break;
		}
		tooLittle = late_min;
	}
	if (!enough) return null;
	while (enough.late_min - tooLittle > 1) {
		const late_min: number = Math.floor((enough.late_min + tooLittle) / 2);
		const best = quick(late_min, SHARE_FOR_LATE);
		if (best) enough = { best, late_min: lateOf(day, best) };
		else tooLittle = late_min;
	}
	for (;;) {
		const best: Solution | null = search(enough.late_min).best(enough.best);
		if (!best) return enough;
		// What begins later than it may could all be done sooner.
		const sooner: number =
			enough.late_min - Math.max(0, best.first_min - (day.earliest_min ?? best.first_min));
		enough = { best, late_min: lateOf(day, best) };
		const found: Solution | null =
			sooner < enough.late_min && sooner >= 0 ? quick(sooner, SHARE_FOR_IN_TIME) : null;
		if (!found) return enough;
		enough = { best: found, late_min: lateOf(day, found) };
	}
}

/**
 * A day on which nothing is fixed or closed is planned as if it might begin at any minute; where that is too early, all
 * of it moves on by as much, and so much is it late. Null where something stands in the way.
 */
function movedAsOne(day: Day, time: Time, from?: Begun): Late | null {
	const { earliest_min, closed, makes } = day;
	const isFree =
		closed.length === 0 && makes.every(({ tasks }) => tasks.every(({ fixed_min }) => fixed_min === null));
	if (!isFree || earliest_min === null) return null;
	const best = new Search({ ...day, earliest_min: null }, 0, time, from).best();
	if (!best) return null;
	const late_min = Math.max(0, earliest_min - best.first_min);
	const moved = {
		...best,
		starts: best.starts.map((start) => start + late_min),
		first_min: best.first_min + late_min
	};
	return { best: moved, late_min: lateOf(day, moved) };
}

/** How late the latest make of a plan is. */
function lateOf({ makes }: Day, { modes, starts }: Begun): number {
	let place = 0;
	let late = 0;
	for (const { ready_min, tasks } of makes) {
		place += tasks.length;
		const minutes = tasks.at(-1)?.modes[modes[place - 1] ?? 0]?.minutes ?? 0;
		late = Math.max(late, (starts[place - 1] ?? 0) + minutes - ready_min);
	}
	return late;
}

/** Whether something says how early, or when, things may begin: only then can a day be late. */
const isHeld = ({ earliest_min, closed, makes }: Day): boolean =>
	earliest_min !== null ||
	closed.length > 0 ||
	makes.some(({ tasks }) => tasks.some(({ fixed_min }) => fixed_min !== null));

/** The resource of which one more would let the day be in time, or begin latest. */
function limitOf(
	day: Day,
	{ best: { first_min }, late_min }: Late,
	{ until, seed, clock }: Time
): string | null {
	const names = Object.keys(day.resources);
	let best: { resource: string; first_min: number; late_min: number } | null = null;
	for (const [at, resource] of names.entries()) {
		const more = { ...day, resources: { ...day.resources, [resource]: (day.resources[resource] ?? 0) + 1 } };
		const share = Math.max(0, until - clock()) / (names.length - at);
		const found = leastLate(more, { until: clock() + share, seed, clock });
		if (!found) continue;
		const than = best ?? { first_min, late_min };
		const isBetter =
			found.late_min < than.late_min ||
			(found.late_min === than.late_min && found.best.first_min > than.first_min);
		if (isBetter) best = { resource, first_min: found.best.first_min, late_min: found.late_min };
	}
	return best?.resource ?? null;
}

/** Tasks that need more than there is in every mode, or a resource nobody has. */
function impossible({ resources, makes }: Day): Problem[] {
	const problems: Problem[] = [];
	for (const [at, { tasks }] of makes.entries())
		for (const [nth, { modes, keeps }] of tasks.entries()) {
			const fits = (needs: Readonly<Record<string, number>>) =>
				Object.entries(needs).every(([resource, amount]) => amount <= (resources[resource] ?? 0));
			const path = `makes[${at}].tasks[${nth}]`;
			if (!modes.some(({ uses }) => fits(uses)))
				problems.push({ path: `${path}.modes`, message: 'every way to do it needs more than there is' });
			if (!modes.some((mode) => fits(mode.keeps ?? keeps)))
				problems.push({ path: `${path}.keeps`, message: 'it keeps more than there is' });
		}
	return problems;
}
