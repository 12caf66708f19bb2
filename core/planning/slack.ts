import type { Day } from './day.ts';
import { conflictOf, networkOf, placedTasks } from './network.ts';

/**
 * The latest a task could start with all else as planned and nothing late: within the waits before and after it, and
 * without overdrawing a resource in any minute between.
 */
export function latestAlone(
	day: Day,
	modes: readonly number[],
	starts: readonly number[],
	place: number
): number {
	const placed = placedTasks(day);
	const network = networkOf(day, (at) => placed[at]?.modes[modes[at] ?? 0] ?? { uses: {}, minutes: 0 });
	const now = starts[place] ?? 0;
	let most = network.latest[place] ?? now;
	for (const { before, after, lag } of network.orders)
		if (before === place) most = Math.min(most, (starts[after] ?? 0) - lag);
	let latest = now;
	// What it slips over has to be free all the way: it could begin at any of these minutes.
	while (latest < most) {
		const moved = starts.map((start, at) => (at === place ? latest + 1 : start));
		if (conflictOf(moved, network, day.resources)) break;
		latest++;
	}
	return latest;
}
