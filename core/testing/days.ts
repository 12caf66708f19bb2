import type { Day, Make, Task } from '../planning/day.ts';

/** A task of one person, for tests. */
export const task = (id: string, minutes: number, more: Partial<Task> = {}): Task => ({
	id,
	modes: [{ uses: { people: 1 }, minutes }],
	keeps: {},
	keepsUntil: null,
	waitLow_min: 0,
	waitHigh_min: null,
	fixed_min: null,
	...more
});

export const make = (id: string, tasks: Task[], ready_min = 0): Make => ({ id, ready_min, tasks });

/** A day that may begin as early as it has to, unless it is said otherwise. */
export const dayOf = (given: Pick<Day, 'resources' | 'makes'> & Partial<Day>): Day => ({
	closed: [],
	sequences: [],
	carries: [],
	earliest_min: null,
	...given
});
