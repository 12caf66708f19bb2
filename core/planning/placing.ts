import type { Day, Mode, Task } from './day.ts';

/** So many starts are tried for one make before it is given up where it stands. */
const MOST_TRIES = 5000;

/**
 * Starts of a day by placing task after task, each as late as what is free lets it. `order` names makes, one as often as
 * it has tasks: each time the last of its tasks that is not placed yet is. Where that has to be so early that what comes
 * after it would wait too long, all of the make moves. Makes with a task whose start is fixed come first. Good for days
 * too large to search; null where a make finds no place.
 */
export function placeTasks(
	day: Day,
	order: readonly number[],
	modeOf: (place: number) => Mode,
	floor: number,
	late_min = 0
): number[] | null {
	const used = new Usage(day, floor, late_min);
	let first = 0;
	const chains = day.makes.map((make) => {
		const begins = first;
		first += make.tasks.length;
		const modes = make.tasks.map((_, nth) => modeOf(begins + nth));
		return {
			chain: new Chain(make.id, make.tasks, modes, used, day.earliest_min ?? floor),
			ready_min: make.ready_min + late_min,
			left: make.tasks.length,
			begins
		};
	});
	const isFixed = (at: number) => day.makes[at]?.tasks.some(({ fixed_min }) => fixed_min !== null) ?? false;
	for (const at of [...order.filter(isFixed), ...order.filter((each) => !isFixed(each))]) {
		const of = chains[at];
		if (!of || of.left === 0) continue;
		of.left--;
		if (!of.chain.place(of.ready_min, of.left)) return null;
	}
	return chains.flatMap(({ chain }) => chain.starts);
}

/** How much of each resource is used in each minute, and between which minutes each make is on what carries on. */
class Usage {
	readonly #day: Day;
	readonly #floor: number;
	readonly #minutes = new Map<string, Int32Array>();
	readonly #spans: { make: string; resource: string; from: number; to: number }[] = [];

	constructor(day: Day, floor: number, late_min: number) {
		this.#day = day;
		this.#floor = floor;
		const end = Math.max(...day.makes.map(({ ready_min }) => ready_min)) + late_min;
		for (const resource of Object.keys(day.resources))
			this.#minutes.set(resource, new Int32Array(Math.max(1, end - floor)));
		for (const { resource, amount, from_min, to_min } of day.closed)
			this.add('', resource, amount, Math.max(floor, from_min), Math.min(end, to_min));
	}

	/**
	 * The latest minute from `from` up to `to` in which so much is not free, or the make may not be on it; null where it
	 * is in all.
	 */
	blocked(make: string, resource: string, amount: number, from: number, to: number): number | null {
		const minutes = this.#minutes.get(resource);
		const free = (this.#day.resources[resource] ?? 0) - amount;
		for (let minute = to - 1; minute >= from; minute--)
			if ((minutes?.[minute - this.#floor] ?? 0) > free) return minute;
		return this.#day.sequences.length > 0 && this.#day.carries.includes(resource)
			? this.#outOfTurn(make, resource, from, to)
			: null;
	}

	/** Where a make has to be over before another that is on it; −Infinity where it would have to come later. */
	#outOfTurn(make: string, resource: string, from: number, to: number): number | null {
		let blocked: number | null = null;
		for (const span of this.#spans) {
			if (span.resource !== resource) continue;
			for (const { first, then } of this.#day.sequences) {
				if (first === span.make && then === make && from < span.to) return -Infinity;
				if (first === make && then === span.make && to > span.from)
					blocked = Math.max(blocked ?? -Infinity, span.from);
			}
		}
		return blocked;
	}

	add(make: string, resource: string, amount: number, from: number, to: number): void {
		const minutes = this.#minutes.get(resource);
		if (!minutes) return;
		for (let minute = from; minute < to; minute++)
			minutes[minute - this.#floor] = (minutes[minute - this.#floor] ?? 0) + amount;
		if (this.#day.sequences.length === 0) return;
		if (amount > 0) this.#spans.push({ make, resource, from, to });
		else
			this.#spans.splice(
				this.#spans.findLastIndex(
					(span) => span.make === make && span.resource === resource && span.from === from && span.to === to
				),
				1
			);
	}
}

/** So much of a resource from one minute up to another, while it is worked or until something later begins. */
interface Needed {
	resource: string;
	amount: number;
	from: number;
	to: number;
	isKept: boolean;
}

/** The tasks of one make, placed from the last to the first. */
class Chain {
	readonly #make: string;
	readonly #tasks: readonly Task[];
	readonly #modes: readonly Mode[];
	readonly #used: Usage;
	readonly #floor: number;
	readonly #starts: number[];
	readonly #least: number[];
	readonly #most: number[];
	/** Tasks from here on are placed. */
	#placed: number;
	#to = 0;
	#tries = 0;

	constructor(make: string, tasks: readonly Task[], modes: readonly Mode[], used: Usage, floor: number) {
		this.#make = make;
		this.#tasks = tasks;
		this.#modes = modes;
		this.#used = used;
		this.#floor = floor;
		this.#starts = tasks.map(() => 0);
		this.#placed = tasks.length;
		({ least: this.#least, most: this.#most } = this.#bounds());
	}

	/** Places the tasks from `to` on anew, the last first; whether they find a place. */
	place(ready_min: number, to: number): boolean {
		for (let at = this.#placed; at < this.#tasks.length; at++) this.#hold(at, -1);
		this.#placed = this.#tasks.length;
		this.#to = to;
		this.#tries = 0;
		const last = this.#tasks.length - 1;
		const latest = ready_min - (this.#modes[last]?.minutes ?? 0);
		if ((this.#least[last] ?? -Infinity) > latest || this.#from(last, latest, -Infinity) !== 0) return false;
		this.#placed = to;
		return true;
	}

	get starts(): readonly number[] {
		return this.#starts;
	}

	/** The earliest and the latest start of each that what is fixed before it allows. */
	#bounds(): { least: number[]; most: number[] } {
		// What is fixed may be before the earliest start: it has begun.
		let [low, high] = [-Infinity, Infinity];
		const bounds = { least: [] as number[], most: [] as number[] };
		for (const [at, { fixed_min, waitLow_min, waitHigh_min }] of this.#tasks.entries()) {
			const minutes = this.#modes[at]?.minutes ?? 0;
			const [least, most] = [Math.max(low, fixed_min ?? this.#floor), fixed_min ?? high];
			bounds.least.push(least);
			bounds.most.push(most);
			low = least + minutes + waitLow_min;
			high = waitHigh_min === null ? Infinity : most + minutes + waitHigh_min;
		}
		return bounds;
	}

	/**
	 * Places the task at `at` and all before it, no later than `latest` and no earlier than `earliest`. 0 where it is done;
	 * else by how many minutes what follows has to move earlier for it, ∞ where nothing helps.
	 */
	#from(at: number, latest: number, earliest: number): number {
		const mode = this.#modes[at];
		if (!mode || at < this.#to) return 0;
		const fixed = this.#tasks[at]?.fixed_min ?? null;
		const floor = this.#least[at] ?? this.#floor;
		for (let start = Math.min(latest, this.#most[at] ?? latest); start >= floor;) {
			if (++this.#tries > MOST_TRIES || (fixed !== null && start !== fixed)) return Infinity;
			const blocked = this.#blocked(at, start);
			if (blocked) {
				// What it keeps is kept until something later begins: that has to be over before.
				if (blocked.keptUntil !== null) return Math.max(1, blocked.keptUntil - blocked.minute);
				// It has to be over before that minute.
				start = Math.min(start - 1, blocked.minute - mode.minutes);
				continue;
			}
			// The latest that is free is too early for what follows: that has to come as much nearer.
			if (start < earliest) return earliest - start;
			this.#starts[at] = start;
			this.#hold(at, 1);
			const earlier = this.#from(at - 1, ...this.#before(at, start));
			if (earlier === 0) return 0;
			this.#hold(at, -1);
			start -= earlier;
		}
		return Infinity;
	}

	/** The latest and the earliest the task before one that starts then may start. */
	#before(at: number, start: number): [latest: number, earliest: number] {
		const minutes = this.#modes[at - 1]?.minutes ?? 0;
		const task = this.#tasks[at - 1];
		const longest = task?.waitHigh_min ?? null;
		return [
			start - minutes - (task?.waitLow_min ?? 0),
			longest === null ? -Infinity : start - minutes - longest
		];
	}

	/** What blocks a start: the latest minute something it needs is not free, and until when that is kept; null where nothing does. */
	#blocked(at: number, start: number): { minute: number; keptUntil: number | null } | null {
		for (const { resource, amount, from, to, isKept } of this.#holds(at, start)) {
			const minute = this.#used.blocked(this.#make, resource, amount, from, to);
			if (minute !== null) return { minute, keptUntil: isKept ? to : null };
		}
		return null;
	}

	#hold(at: number, sign: 1 | -1): void {
		for (const { resource, amount, from, to } of this.#holds(at, this.#starts[at] ?? 0))
			this.#used.add(this.#make, resource, sign * amount, from, to);
	}

	#holds(at: number, start: number): Needed[] {
		const [mode, task] = [this.#modes[at], this.#tasks[at]];
		if (!mode || !task) return [];
		const worked = Object.entries(mode.uses).map(([resource, amount]) => ({
			resource,
			amount,
			from: start,
			to: start + mode.minutes,
			isKept: false
		}));
		const named = this.#tasks.findIndex(({ id }) => id === task.keepsUntil);
		const until = named > at ? named : at + 1;
		const kept =
			until < this.#tasks.length
				? Object.entries(mode.keeps ?? task.keeps).map(([resource, amount]) => ({
						resource,
						amount,
						from: start,
						to: this.#starts[until] ?? start,
						isKept: true
					}))
				: [];
		return [...worked, ...kept].filter(({ amount, from, to }) => amount > 0 && to > from);
	}
}
