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
	/** The earliest start of each. */
	floors: number[];
	orders: Order[];
	holds: Hold[];
	handsOn_min: number;
	/** So many of the places are tasks; those after them only close what is not to be had. */
	tasks: number;
}

/** All tasks of a day in order, with where they stand. */
export interface Placed {
	make: number;
	task: number;
	modes: readonly Mode[];
}

export const placedTasks = ({ makes }: Day): Placed[] =>
	makes.flatMap(({ tasks }, make) => tasks.map(({ modes }, task) => ({ make, task, modes })));

/**
 * The network of a day whose tasks are done in these modes, by their order over all makes. Nothing begins before
 * `floor`, and every make may be `late_min` late.
 */
export function networkOf(day: Day, modeOf: (place: number) => Mode, floor: number, late_min = 0): Network {
	const { makes } = day;
	const network: Network = { latest: [], floors: [], orders: [], holds: [], handsOn_min: 0, tasks: 0 };
	const earliest = Math.max(floor, day.earliest_min ?? floor);
	let first = 0;
	for (const { ready_min, tasks } of makes) {
		for (const [at, task] of tasks.entries()) {
			const place = first + at;
			const mode = modeOf(place);
			network.latest.push(task.fixed_min ?? ready_min + late_min - mode.minutes);
			network.floors.push(task.fixed_min ?? earliest);
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
			for (const [resource, amount] of Object.entries(mode.keeps ?? task.keeps))
				if (amount > 0) network.holds.push({ resource, amount, from: place, until, after: 0 });
		}
		first += tasks.length;
	}
	network.tasks = first;
	addSequences(day, network);
	addClosed(day, network);
	return network;
}

/** Each make of a sequence is over, on what carries on, before the other begins there. */
function addSequences({ makes, sequences, carries }: Day, network: Network): void {
	if (sequences.length === 0) return;
	const makeOf = makes.flatMap(({ id, tasks }) => tasks.map(() => id));
	const about = network.holds.filter(({ resource }) => carries.includes(resource));
	for (const { first, then } of sequences)
		for (const before of about) {
			if (makeOf[before.from] !== first) continue;
			for (const after of about)
				if (makeOf[after.from] === then && after.resource === before.resource)
					network.orders.push(inOrder(before, after));
		}
}

/** What is not to be had is held by a place that cannot move. */
function addClosed({ closed }: Day, network: Network): void {
	for (const { resource, amount, from_min, to_min } of closed) {
		const place = network.latest.length;
		network.latest.push(from_min);
		network.floors.push(from_min);
		network.holds.push({ resource, amount, from: place, until: place, after: to_min - from_min });
	}
}

/**
 * The latest starts that all orders allow, begun from starts that are no earlier; null where they contradict each
 * other, or a task would begin before it may. What is given is not changed.
 */
export function latestStarts(
	from: readonly number[],
	orders: readonly Order[],
	floors: readonly number[]
): number[] | null {
	const starts = [...from];
	if (starts.some((start, place) => start < (floors[place] ?? -Infinity))) return null;
	for (let isMoved = true; isMoved;) {
		isMoved = false;
		for (const { before, after, lag } of orders) {
			const most = (starts[after] ?? 0) - lag;
			if ((starts[before] ?? 0) <= most) continue;
			// Orders that contradict each other push one another back for ever.
			if (most < (floors[before] ?? -Infinity)) return null;
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

/** Before this nothing has to begin: as if everything were done one after the other, with all its waits. */
export function earliestThinkable({ makes, closed, earliest_min }: Day): number {
	const fixed = makes.flatMap(({ tasks }) => tasks.flatMap(({ fixed_min }) => fixed_min ?? []));
	const ready = Math.min(...makes.map(({ ready_min }) => ready_min), ...fixed);
	const all = makes
		.flatMap(({ tasks }) => tasks)
		.map(({ modes, waitLow_min, waitHigh_min }) => {
			const longest = Math.max(...modes.map(({ minutes }) => minutes));
			return longest + Math.max(waitLow_min, waitHigh_min ?? 0);
		});
	const shut = total(closed.map(({ from_min, to_min }) => to_min - from_min));
	// Around what is closed everything may have to wait once more.
	return Math.min(ready - total(all) * (closed.length + 1) - shut - 1, earliest_min ?? Infinity);
}

const total = (numbers: readonly number[]): number => numbers.reduce((sum, number) => sum + number, 0);
