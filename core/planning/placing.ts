import type { Day, Mode, Task } from './day.ts';

/** So many starts are tried for one make before it is given up where it stands. */
const MOST_TRIES = 20_000;

/**
 * Starts of a day by placing one make after the other, each as late as what is free lets it: its last task first, and
 * each one before it as late as the wait allows. Good for days too large to search; null where a make finds no place.
 */
export function placeMakes(
	day: Day,
	order: readonly number[],
	modeOf: (place: number) => Mode,
	floor: number
): number[] | null {
	const used = new Usage(day, floor);
	const starts: number[] = [];
	const firsts: number[] = [];
	let first = 0;
	for (const { tasks } of day.makes) {
		firsts.push(first);
		first += tasks.length;
	}
	for (const at of order) {
		const make = day.makes[at];
		const begins = firsts[at] ?? 0;
		if (!make || make.tasks.length === 0) continue;
		const modes = make.tasks.map((_, nth) => modeOf(begins + nth));
		const found = new Chain(make.tasks, modes, used, floor).place(make.ready_min);
		if (!found) return null;
		found.forEach((start, nth) => (starts[begins + nth] = start));
	}
	return starts;
}

/** How much of each resource is used in each minute. */
class Usage {
	readonly #floor: number;
	readonly #capacity: Day['resources'];
	readonly #minutes = new Map<string, Int32Array>();

	constructor({ resources, makes }: Day, floor: number) {
		this.#floor = floor;
		this.#capacity = resources;
		const end = Math.max(...makes.map(({ ready_min }) => ready_min));
		for (const resource of Object.keys(resources))
			this.#minutes.set(resource, new Int32Array(Math.max(1, end - floor)));
	}

	/** The latest minute from `from` up to `to` in which so much is not free; null where it is in all. */
	blocked(resource: string, amount: number, from: number, to: number): number | null {
		const minutes = this.#minutes.get(resource);
		const free = (this.#capacity[resource] ?? 0) - amount;
		for (let minute = to - 1; minute >= from; minute--)
			if ((minutes?.[minute - this.#floor] ?? 0) > free) return minute;
		return null;
	}

	add(resource: string, amount: number, from: number, to: number): void {
		const minutes = this.#minutes.get(resource);
		if (!minutes) return;
		for (let minute = from; minute < to; minute++)
			minutes[minute - this.#floor] = (minutes[minute - this.#floor] ?? 0) + amount;
	}
}

/** The tasks of one make, placed from the last to the first. */
class Chain {
	readonly #tasks: readonly Task[];
	readonly #modes: readonly Mode[];
	readonly #used: Usage;
	readonly #floor: number;
	readonly #starts: number[];
	#tries = 0;

	constructor(tasks: readonly Task[], modes: readonly Mode[], used: Usage, floor: number) {
		this.#tasks = tasks;
		this.#modes = modes;
		this.#used = used;
		this.#floor = floor;
		this.#starts = tasks.map(() => 0);
	}

	place(ready_min: number): number[] | null {
		const last = this.#tasks.length - 1;
		return this.#from(last, ready_min - (this.#modes[last]?.minutes ?? 0), this.#floor) ? this.#starts : null;
	}

	/** Places the task at `at` and all before it, no later than `latest` and no earlier than `earliest`. */
	#from(at: number, latest: number, earliest: number): boolean {
		const mode = this.#modes[at];
		if (!mode) return true;
		for (let start = latest; start >= Math.max(earliest, this.#floor);) {
			if (++this.#tries > MOST_TRIES) return false;
			const blocked = this.#blocked(at, start);
			if (blocked !== null) {
				// It has to be over before that minute.
				start = Math.min(start - 1, blocked);
				continue;
			}
			this.#starts[at] = start;
			this.#hold(at, 1);
			const before = this.#modes[at - 1];
			const task = this.#tasks[at - 1];
			const most = start - (before?.minutes ?? 0) - (task?.waitLow_min ?? 0);
			const longest = task?.waitHigh_min ?? null;
			const least = longest === null ? this.#floor : start - (before?.minutes ?? 0) - longest;
			if (this.#from(at - 1, most, least)) return true;
			this.#hold(at, -1);
			start--;
		}
		return false;
	}

	/** A start so early that what blocks it is past; null where nothing does. */
	#blocked(at: number, start: number): number | null {
		for (const { resource, amount, from, to } of this.#holds(at, start)) {
			const minute = this.#used.blocked(resource, amount, from, to);
			if (minute !== null) return minute - (this.#modes[at]?.minutes ?? 0);
		}
		return null;
	}

	#hold(at: number, sign: 1 | -1): void {
		for (const { resource, amount, from, to } of this.#holds(at, this.#starts[at] ?? 0))
			this.#used.add(resource, sign * amount, from, to);
	}

	#holds(at: number, start: number): { resource: string; amount: number; from: number; to: number }[] {
		const [mode, task] = [this.#modes[at], this.#tasks[at]];
		if (!mode || !task) return [];
		const worked = Object.entries(mode.uses).map(([resource, amount]) => ({
			resource,
			amount,
			from: start,
			to: start + mode.minutes
		}));
		const named = this.#tasks.findIndex(({ id }) => id === task.keepsUntil);
		const until = named > at ? named : at + 1;
		const kept =
			until < this.#tasks.length
				? Object.entries(task.keeps).map(([resource, amount]) => ({
						resource,
						amount,
						from: start,
						to: this.#starts[until] ?? start
					}))
				: [];
		return [...worked, ...kept].filter(({ amount, from, to }) => amount > 0 && to > from);
	}
}
