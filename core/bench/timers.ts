/** How a step stands that is timed. */
export interface Timer {
	elapsed_min: number;
	/** Minutes until it may end; below zero once it may. Null where no time is given. */
	toShortest_min: number | null;
	/** Minutes until it should have ended; below zero once it should. */
	toLongest_min: number | null;
	state: 'early' | 'in time' | 'late';
}

/** What of a step a timer goes by. */
export interface Timed {
	minutesLow: number | null;
	minutesHigh: number | null;
}

/**
 * The timer of a step begun at `begunAt`, at `now` (ISO 8601). Without a longest time it is late only
 * never; without a shortest one the longest is when it is due.
 */
export function timerOf(step: Timed, begunAt: string, now: string): Timer {
	const elapsed_min = (Date.parse(now) - Date.parse(begunAt)) / 60_000;
	const shortest = step.minutesLow ?? step.minutesHigh;
	const longest = step.minutesHigh;
	const state =
		shortest !== null && elapsed_min < shortest
			? 'early'
			: longest !== null && elapsed_min > longest
				? 'late'
				: 'in time';
	return {
		elapsed_min,
		toShortest_min: shortest === null ? null : shortest - elapsed_min,
		toLongest_min: longest === null ? null : longest - elapsed_min,
		state
	};
}

/** How a step that ended went, in minutes; `off_min` is how far it was outside its times, below zero early. */
export function stepTaken(
	step: Timed,
	begunAt: string,
	endedAt: string
): { taken_min: number; off_min: number } {
	const { elapsed_min } = timerOf(step, begunAt, endedAt);
	const least = step.minutesLow ?? 0;
	const most = step.minutesHigh ?? Infinity;
	const off_min = elapsed_min < least ? elapsed_min - least : elapsed_min > most ? elapsed_min - most : 0;
	return { taken_min: elapsed_min, off_min };
}
