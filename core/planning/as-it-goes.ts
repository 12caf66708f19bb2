import type { AssembledDay, DayTask } from './assemble.ts';
import type { DayPlan } from './day.ts';
import { Follower, type Course, type Happened } from './follow.ts';
import { timed } from './plan.ts';

/** A day that was planned, as it goes. */
export interface Going {
	course: Course;
	/** The next thing that has not begun, by its place; null where all has. */
	next: number | null;
	/** The last packs are packed then. */
	packed_min: number;
}

/** A move of so many minutes is worth saying. */
export const MATTERS_MIN = 3;

/**
 * The day as it goes on from what has happened by `now`: what has begun stays, and takes as long as was planned or as it
 * has taken already; the rest follows in the order of the plan.
 */
export function asItGoes(
	{ day }: Pick<AssembledDay, 'day'>,
	plan: Pick<DayPlan, 'tasks'>,
	happened: ReadonlyMap<number, Happened>,
	now_min: number
): Going {
	const follower = new Follower(day, timed(plan));
	const course = follower.follow(
		(place) => {
			const was = happened.get(place);
			return was ? Math.max(follower.minutes(place), now_min - was.begun_min) : follower.minutes(place);
		},
		happened,
		now_min
	);
	const waiting = course.starts.flatMap((start, place) => (happened.has(place) ? [] : [{ start, place }]));
	const next = waiting.sort((a, b) => a.start - b.start || a.place - b.place)[0]?.place ?? null;
	return { course, next, packed_min: Math.max(...course.ends) };
}

/** What a task took beside what was planned of it. */
export interface Took {
	place: number;
	planned_min: number;
	took_min: number;
}

/** What took how long of what is over, by its place: what was only seen to be past is left out. */
export function tookOf(
	tasks: readonly Pick<DayTask, 'task'>[],
	plan: Pick<DayPlan, 'tasks'>,
	happened: ReadonlyMap<number, Happened>
): Took[] {
	return tasks.flatMap(({ task }, place): Took[] => {
		const was = happened.get(place);
		if (!was || was.ended_min === null || was.ended_min <= was.begun_min) return [];
		const planned_min = task.modes[plan.tasks[place]?.mode ?? 0]?.minutes ?? 0;
		return [{ place, planned_min, took_min: was.ended_min - was.begun_min }];
	});
}

/** Whether what is said anew matters: the packing, or the same next thing, moved by more than three minutes. */
export function matters(before: Going, after: Going): boolean {
	if (Math.abs(after.packed_min - before.packed_min) > MATTERS_MIN) return true;
	if (after.next === null || after.next !== before.next) return false;
	const startOf = ({ course, next }: Going) => (next === null ? 0 : (course.starts[next] ?? 0));
	return Math.abs(startOf(after) - startOf(before)) > MATTERS_MIN;
}
