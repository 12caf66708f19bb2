import { PEOPLE, type Day, type Mode } from './day.ts';

/** start[before] + lag ≤ start[after]. */
export interface Order {
	before: number;
	after: number;
	lag: number;
}

/** Something that holds a resource from the start of one task to some minutes after the start of another. */
export interface Hold {
	resource: string;
	amount: number;
	from: number;
	/** It ends `after` minutes after the start of this task. */
	until: number;
	after: number;
}

/** A day with the mode of each task chosen: when its tasks may start, and what they hold. */
export interface Network {
	/** Latest starts that the end of each make allows alone. */
	latest: number[];
	orders: Order[];
	holds: Hold[];
	handsOn_min: number;
}

/** All tasks of a day in order, with where they stand. */
export interface Placed {
	make: number;
	task: number;
	modes: readonly Mode[];
}

export const placedTasks = ({ makes }: Day): Placed[] =>
	makes.flatMap(({ tasks }, make) => tasks.map(({ modes }, task) => ({ make, task, modes })));

/** The network of a day whose tasks are done in these modes, by their order over all makes. */
export function networkOf({ makes }: Day, modeOf: (place: number) => Mode): Network {
	const network: Network = { latest: [], orders: [], holds: [], handsOn_min: 0 };
	let first = 0;
	for (const { ready_min, tasks } of makes) {
		for (const [at, task] of tasks.entries()) {
			const place = first + at;
			const mode = modeOf(place);
			network.latest.push(ready_min - mode.minutes);
			network.handsOn_min += (mode.uses[PEOPLE] ?? 0) * mode.minutes;
			for (const [resource, amount] of Object.entries(mode.uses))
				if (amount > 0 && mode.minutes > 0)
					network.holds.push({ resource, amount, from: place, until: place, after: mode.minutes });
			if (at + 1 >= tasks.length) continue;
			network.orders.push({ before: place, after: place + 1, lag: mode.minutes + task.waitLow_min });
			if (task.waitHigh_min !== null)
				network.orders.push({
					before: place + 1,
					after: place,
					lag: -(mode.minutes + task.waitHigh_min)
				});
			const named = tasks.findIndex(({ id }) => id === task.keepsUntil);
			const until = first + (named > at ? named : at + 1);
			for (const [resource, amount] of Object.entries(task.keeps))
				if (amount > 0) network.holds.push({ resource, amount, from: place, until, after: 0 });
		}
		first += tasks.length;
	}
	return network;
}

/**
 * The latest starts that all orders allow, begun from starts that are no earlier; null where they contradict each
 * other. What is given is not changed.
 */
export function latestStarts(
	from: readonly number[],
	orders: readonly Order[],
	floor: number
): number[] | null {
	const starts = [...from];
	for (let isMoved = true; isMoved;) {
		isMoved = false;
		for (const { before, after, lag } of orders) {
			const most = (starts[after] ?? 0) - lag;
			if ((starts[before] ?? 0) <= most) continue;
			// Orders that contradict each other push one another back for ever.
			if (most < floor) return null;
			starts[before] = most;
			isMoved = true;
		}
	}
	return starts;
}

/** Holds that are on at one minute and need more of a resource than there is: the fewest of them; null where none are. */
export function conflictOf(
	starts: readonly number[],
	{ holds }: Network,
	resources: Day['resources']
): Hold[] | null {
	let worst: { minute: number; holds: Hold[] } | null = null;
	const startOf = (hold: Hold) => starts[hold.from] ?? 0;
	const endOf = (hold: Hold) => (starts[hold.until] ?? 0) + hold.after;
	for (const [resource, capacity] of Object.entries(resources)) {
		const of = holds.filter((hold) => hold.resource === resource && endOf(hold) > startOf(hold));
		// Usage only rises where something starts: the latest such minute first, as the day is planned backwards.
		for (const { from } of of) {
			const minute = starts[from] ?? 0;
			if (worst && minute <= worst.minute) continue;
			const on = of.filter((hold) => startOf(hold) <= minute && minute < endOf(hold));
			if (on.reduce((sum, { amount }) => sum + amount, 0) > capacity)
				worst = { minute, holds: fewest(on, capacity) };
		}
	}
	return worst?.holds ?? null;
}

/** So few of the holds that any one less would fit. */
function fewest(on: readonly Hold[], capacity: number): Hold[] {
	let left = [...on].sort((a, b) => a.amount - b.amount);
	let needed = left.reduce((sum, { amount }) => sum + amount, 0);
	for (const hold of [...left]) {
		if (needed - hold.amount <= capacity) continue;
		left = left.filter((each) => each !== hold);
		needed -= hold.amount;
	}
	return left;
}

/** That one hold ends before another begins. */
export const inOrder = (first: Hold, then: Hold): Order => ({
	before: first.until,
	after: then.from,
	lag: first.after
});
