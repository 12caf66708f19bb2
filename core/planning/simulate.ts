import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { lognormalFactor, unitNormals, type Spread } from './chance.ts';
import type { Day } from './day.ts';
import { Follower, type Followed, type Happened } from './follow.ts';
import { placedTasks } from './network.ts';

/** What can go wrong with the pieces of a make: how many are spoilt of so many, and how many can be spared. */
export interface Rejects {
	pieces: number;
	rate: number;
	spare: number;
}

export interface Simulated {
	/** The share of days on which everything is packed by its moment. */
	inTime: number;
	days: number;
	/** Of the days that are late, what made them so, the most frequent first: a task by its place, or too few pieces. */
	causes: { place: number | null; make: number; share: number }[];
	/** How late the latest make is on one day in ten. */
	late90_min: number;
}

/** Who is done early goes on with the next thing, so long before its time at most: a dough is not hurried further. */
export const AHEAD_MIN = 20;
/** Days that are followed. */
export const SIMULATED_DAYS = 2000;
const SEED = 1;

/**
 * How sure a plan is (section 17): so many days followed, each task drawn from its own lognormal through its median and
 * 90th percentile, spoilt pieces from their rate. A day counts as in time where every make is packed by its minute and
 * has the pieces it was planned to have. What makes a day late is the task that ran longest over what was planned among
 * those the late make waited for, back to front.
 */
export function simulate(
	day: Day,
	plan: Followed,
	spreadOf: (place: number) => Spread,
	rejects: readonly Rejects[],
	{
		days = SIMULATED_DAYS,
		seed = SEED,
		happened = new Map<number, Happened>(),
		now = -Infinity
	}: { days?: number; seed?: number; happened?: ReadonlyMap<number, Happened>; now?: number } = {}
): Simulated {
	const follower = new Follower(day, plan);
	const placed = placedTasks(day);
	const firsts: number[] = [];
	let first = 0;
	for (const { tasks } of day.makes) {
		firsts.push(first);
		first += tasks.length;
	}
	const normal = unitNormals(xoroshiro128plus(seed));
	const drawn = placed.map(() => 0);
	const causes = new Map<string, { place: number | null; make: number; count: number }>();
	const lates: number[] = [];
	let inTime = 0;
	const blame = (place: number | null, make: number) => {
		const key = place === null ? `pieces ${make}` : String(place);
		const known = causes.get(key);
		causes.set(key, { place, make, count: (known?.count ?? 0) + 1 });
	};
	for (let nth = 0; nth < days; nth++) {
		for (const place of placed.keys())
			drawn[place] = follower.minutes(place) * lognormalFactor(spreadOf(place), normal.next());
		const short = rejects.findIndex(
			({ pieces, rate, spare }) => spoilt(pieces, rate, normal.uniform) > spare
		);
		const course = follower.follow((place) => drawn[place] ?? 0, happened, now, AHEAD_MIN);
		const latest = Math.max(...course.late_min);
		lates.push(latest);
		if (latest <= LATE_ROUNDING_MIN && short < 0) inTime++;
		else if (latest > LATE_ROUNDING_MIN) {
			const make = course.late_min.indexOf(latest);
			const last = (firsts[make] ?? 0) + (day.makes[make]?.tasks.length ?? 1) - 1;
			const place = whatHeld(last, course.heldBy, (each) => (drawn[each] ?? 0) - follower.minutes(each));
			blame(place, placed[place]?.make ?? make);
		} else blame(null, short);
	}
	lates.sort((a, b) => a - b);
	const isLate = days - inTime;
	return {
		inTime: inTime / days,
		days,
		causes: [...causes.values()]
			.sort((a, b) => b.count - a.count)
			.map(({ count, ...of }) => ({ ...of, share: count / Math.max(1, isLate) })),
		late90_min: lates[Math.min(days - 1, Math.floor(days * 0.9))] ?? 0
	};
}

/** Within half a minute it is in time: plans are in whole minutes. */
const LATE_ROUNDING_MIN = 0.5;

/** Of the tasks that held up one another up to the last, the one that ran longest over. */
function whatHeld(last: number, heldBy: readonly number[], over: (place: number) => number): number {
	let worst = last;
	const seen = new Set<number>();
	for (let place = last; place >= 0 && !seen.has(place); place = heldBy[place] ?? -1) {
		seen.add(place);
		if (over(place) > over(worst)) worst = place;
	}
	return worst;
}

/** How many of some pieces are spoilt: each for itself. */
function spoilt(pieces: number, rate: number, uniform: () => number): number {
	let count = 0;
	if (rate > 0) for (let piece = 0; piece < pieces; piece++) if (uniform() < rate) count++;
	return count;
}
