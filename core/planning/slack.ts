import type { Day } from './day.ts';
import { networkOf, placedTasks, type Hold } from './network.ts';

/**
 * The latest a task could start with all else as planned and nothing later than `late_min`: within the waits before and
 * after it, and without overdrawing a resource in any minute between.
 */
export function latestAlone(
	day: Day,
	modes: readonly number[],
	starts: readonly number[],
	place: number,
	late_min: number
): number {
	const placed = placedTasks(day);
	const now = starts[place] ?? 0;
	const network = networkOf(
		day,
		(at) => placed[at]?.modes[modes[at] ?? 0] ?? { uses: {}, minutes: 0 },
		Math.min(...starts),
		late_min
	);
	const all = [...starts, ...network.latest.slice(network.tasks)];
	let most = network.latest[place] ?? now;
	for (const { before, after, lag } of network.orders)
		if (before === place) most = Math.min(most, (all[after] ?? 0) - lag);
	// What it slips over has to be free all the way: it could begin at any of these minutes. A minute later only the
	// last minutes of what ends with it are new.
	const longer = network.holds.filter(({ until }) => until === place);
	let latest = now;
	while (latest < most && longer.every((hold) => isFree(hold, latest + 1))) latest++;
	return latest;

	function isFree({ resource, after }: Hold, start: number): boolean {
		const minute = start + after - 1;
		const at = (which: number) => (which === place ? start : (all[which] ?? 0));
		let needed = 0;
		for (const hold of network.holds)
			if (hold.resource === resource && at(hold.from) <= minute && minute < at(hold.until) + hold.after)
				needed += hold.amount;
		return needed <= (day.resources[resource] ?? 0);
	}
}
