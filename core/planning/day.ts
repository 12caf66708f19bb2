/** How a task can be done: what it uses while it is worked, and for how long. */
export interface Mode {
	uses: Readonly<Record<string, number>>;
	minutes: number;
	/** Held in the place of what the task keeps, where this way holds something else. */
	keeps?: Readonly<Record<string, number>>;
}

/** A task of a make; tasks follow each other in order. */
export interface Task {
	id: string;
	modes: readonly Mode[];
	/** Held beside what it uses, from its start until the task named starts; the next one where none is named. */
	keeps: Readonly<Record<string, number>>;
	keepsUntil: string | null;
	/** How long the next task has to wait from its end, and the longest it may; null where it may wait for ever. */
	waitLow_min: number;
	waitHigh_min: number | null;
	/** It begins then: it has begun, or somebody said so; null where the plan says. */
	fixed_min: number | null;
}

/** One thing that is made, and the minute by which it is ready. */
export interface Make {
	id: string;
	ready_min: number;
	tasks: readonly Task[];
}

/** So much of a resource is not to be had from a minute up to another. */
export interface Closed {
	resource: string;
	amount: number;
	from_min: number;
	to_min: number;
}

/** On what both use, one make is over before another begins: what it leaves there must not be carried on. */
export interface Sequence {
	first: string;
	then: string;
}

/** A day to be planned backwards. */
export interface Day {
	/** How much of each there is. */
	resources: Readonly<Record<string, number>>;
	makes: readonly Make[];
	closed: readonly Closed[];
	sequences: readonly Sequence[];
	/** Resources a sequence is about. */
	carries: readonly string[];
	/** Nothing that is not fixed begins before this minute; null where it may at any. */
	earliest_min: number | null;
}

/** Whose minutes are hands-on. */
export const PEOPLE = 'people';

/** When a task begins, how, and the latest it could with all else as planned. */
export interface PlannedTask {
	make: string;
	task: string;
	mode: number;
	start_min: number;
	latestStart_min: number;
}

export interface DayPlan {
	/** How late the latest make is. */
	late_min: number;
	firstStart_min: number;
	handsOn_min: number;
	tasks: PlannedTask[];
	/** The resource of which one more would let the day begin latest; null where none would. */
	limits: string | null;
}
