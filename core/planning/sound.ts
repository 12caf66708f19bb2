import type { Day } from './day.ts';
import { conflictOf, networkOf, placedTasks } from './network.ts';

/** Whether a plan keeps every rule of a day, however late it is: orders and waits, and nothing overdrawn. */
export function isSound(day: Day, modes: readonly number[], starts: readonly number[]): boolean {
	const placed = placedTasks(day);
	if (
		placed.length !== starts.length ||
		placed.some((of, place) => of.modes[modes[place] ?? -1] === undefined)
	)
		return false;
	const network = networkOf(
		day,
		(place) => placed[place]?.modes[modes[place] ?? 0] ?? { uses: {}, minutes: 0 },
		Math.min(...starts)
	);
	const all = [...starts, ...network.latest.slice(network.tasks)];
	return (
		all.every((start, place) => start >= (network.floors[place] ?? -Infinity)) &&
		day.makes
			.flatMap(({ tasks }) => tasks)
			.every(({ fixed_min }, place) => fixed_min === null || fixed_min === starts[place]) &&
		network.orders.every(({ before, after, lag }) => (all[before] ?? 0) + lag <= (all[after] ?? 0)) &&
		conflictOf(all, network, day.resources) === null
	);
}
