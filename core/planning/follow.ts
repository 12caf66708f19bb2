import type { Day, Mode } from './day.ts';
import { placedTasks } from './network.ts';

/** A plan as it is followed: how each task is done and when it was to begin, by their order over all makes. */
export interface Followed {
	modes: readonly number[];
	starts: readonly number[];
}

/** What happened already to a task: when it began, and when it ended where it has. */
export interface Happened {
	begun_min: number;
	ended_min: number | null;
}

/** When everything begins and ends as it comes. */
export interface Course {
	starts: number[];
	ends: number[];
	/** How late each make is packed; below zero early. */
	late_min: number[];
	/** For each task the one it waited for longest beyond its planned start; −1 where it began as planned. */
	heldBy: number[];
}

/** Something of which a task takes so many for as long as it needs them. */
interface Unit {
	freeAt: number;
	by: number;
	shut: { from: number; to: number }[];
}

/**
 * A plan followed as it comes: everything in the order that was planned, no earlier than planned (or a little ahead,
 * where that is asked for), and later where what goes before takes longer or a pair of hands, a pan or a bowl is not
 * free yet. `minutesOf` says how long each task
 * takes that day; what has happened already stands; nothing else begins before `now`.
 */
export class Follower {
	readonly #day: Day;
	readonly #modes: readonly Mode[];
	readonly #planned: readonly number[];
	readonly #order: number[];
	readonly #next: number[];
	readonly #wait: number[];
	/** For each task the keeps it frees when it begins, as [resource, amount, keeper]. */
	readonly #frees: { resource: string; keeper: number }[][];
	readonly #keeps: [resource: string, amount: number][][];
	readonly #uses: [resource: string, amount: number][][];
	readonly #lastOf: number[];
	readonly #sequenced: number[][];

	constructor(day: Day, { modes, starts }: Followed) {
		this.#day = day;
		const placed = placedTasks(day);
		this.#modes = placed.map((each, place) => each.modes[modes[place] ?? 0] ?? { uses: {}, minutes: 0 });
		this.#planned = starts;
		this.#next = [];
		this.#wait = [];
		this.#frees = placed.map(() => []);
		this.#keeps = placed.map(() => []);
		this.#uses = this.#modes.map(({ uses }) => Object.entries(uses).filter(([, amount]) => amount > 0));
		this.#lastOf = [];
		this.#sequenced = placed.map(() => []);
		const makeOf: string[] = [];
		let first = 0;
		for (const { id, tasks } of day.makes) {
			for (const [at, task] of tasks.entries()) {
				const place = first + at;
				makeOf.push(id);
				this.#next[place] = at + 1 < tasks.length ? place + 1 : -1;
				this.#wait[place] = task.waitLow_min;
				if (at + 1 >= tasks.length) continue;
				const named = tasks.findIndex(({ id }) => id === task.keepsUntil);
				const until = first + (named > at ? named : at + 1);
				const keeps = Object.entries(this.#modes[place]?.keeps ?? task.keeps).filter(
					([, amount]) => amount > 0
				);
				this.#keeps[place] = keeps;
				for (const [resource] of keeps) this.#frees[until]?.push({ resource, keeper: place });
			}
			first += tasks.length;
			this.#lastOf.push(first - 1);
		}
		this.#sequence(makeOf);
		// A task that frees what another takes at the same minute goes first.
		this.#order = placed
			.map((_, place) => place)
			.sort(
				(a, b) =>
					(starts[a] ?? 0) - (starts[b] ?? 0) ||
					(this.#frees[b]?.length ?? 0) - (this.#frees[a]?.length ?? 0) ||
					a - b
			);
	}

	/** For each task those of other makes that have to be over before it. */
	#sequence(makeOf: readonly string[]): void {
		const carried = (place: number) =>
			(this.#uses[place] ?? [])
				.map(([resource]) => resource)
				.filter((each) => this.#day.carries.includes(each));
		for (const { first, then } of this.#day.sequences)
			for (const [place, make] of makeOf.entries()) {
				if (make !== then) continue;
				const on = carried(place);
				for (const [before, other] of makeOf.entries())
					if (other === first && carried(before).some((each) => on.includes(each)))
						this.#sequenced[place]?.push(before);
			}
	}

	/** How long a task is planned to take. */
	minutes(place: number): number {
		return this.#modes[place]?.minutes ?? 0;
	}

	follow(
		minutesOf: (place: number) => number,
		happened: ReadonlyMap<number, Happened> = new Map(),
		now = -Infinity,
		ahead_min = 0
	): Course {
		const units = new Map<string, Unit[]>();
		for (const [resource, count] of Object.entries(this.#day.resources)) {
			// The fridge holds grams: what fits in it was planned.
			if (count > MOST_UNITS) continue;
			units.set(
				resource,
				Array.from({ length: count }, () => ({ freeAt: -Infinity, by: -1, shut: [] }))
			);
		}
		for (const { resource, amount, from_min, to_min } of this.#day.closed)
			for (const unit of (units.get(resource) ?? []).slice(-amount))
				unit.shut.push({ from: from_min, to: to_min });
		const count = this.#modes.length;
		const starts = Array<number>(count).fill(0);
		const ends = Array<number>(count).fill(0);
		const ready = Array<number>(count).fill(-Infinity);
		const heldBy = Array<number>(count).fill(-1);
		const kept = new Map<number, Unit[]>();
		const first = Math.min(...this.#planned);
		for (const place of this.#order) {
			const was = happened.get(place);
			const planned = this.#planned[place] ?? 0;
			// Nobody comes before the day begins.
			let start = was ? was.begun_min : Math.max(first, planned - ahead_min, now);
			const wait = (until: number, by: number) => {
				if (was || until <= start) return;
				start = until;
				heldBy[place] = by;
			};
			wait(ready[place] ?? -Infinity, place - 1);
			for (const before of this.#sequenced[place] ?? []) wait(ends[before] ?? -Infinity, before);
			const takes = was?.ended_min == null ? minutesOf(place) : was.ended_min - was.begun_min;
			// What the make keeps until now is free for its own task.
			const freed = (this.#frees[place] ?? []).flatMap(({ keeper }) => kept.get(keeper) ?? []);
			for (const unit of freed) unit.freeAt = Math.min(unit.freeAt, start);
			const taken: { unit: Unit; worked: boolean }[] = [];
			const take = (resource: string, amount: number, minutes: number, worked: boolean) => {
				const of = units.get(resource) ?? [];
				const best = of
					.filter((unit) => !taken.some((each) => each.unit === unit))
					.map((unit) => ({ unit, from: freeFrom(unit, start, minutes) }))
					.sort((a, b) => a.from - b.from || b.unit.freeAt - a.unit.freeAt)
					.slice(0, amount);
				for (const { unit, from } of best) {
					wait(from, unit.by);
					taken.push({ unit, worked });
				}
			};
			for (const [resource, amount] of this.#uses[place] ?? []) take(resource, amount, takes, true);
			for (const [resource, amount] of this.#keeps[place] ?? []) take(resource, amount, takes, false);
			for (const unit of freed) unit.freeAt = start;
			starts[place] = start;
			const end = start + takes;
			ends[place] = end;
			const keeps: Unit[] = [];
			for (const { unit, worked } of taken) {
				unit.by = place;
				unit.freeAt = worked ? end : Infinity;
				if (!worked) keeps.push(unit);
			}
			kept.set(place, keeps);
			const next = this.#next[place] ?? -1;
			if (next >= 0) ready[next] = end + (this.#wait[place] ?? 0);
		}
		return {
			starts,
			ends,
			late_min: this.#day.makes.map(({ ready_min }, at) => (ends[this.#lastOf[at] ?? 0] ?? 0) - ready_min),
			heldBy
		};
	}
}

/** What there is more of than this is an amount and not things. */
const MOST_UNITS = 100;

/** From when a unit is free for so many minutes together, not before `from`. */
function freeFrom({ freeAt, shut }: Unit, from: number, minutes: number): number {
	let start = Math.max(freeAt, from);
	for (const { from: closes, to: opens } of shut)
		if (start < opens && start + minutes > closes) start = opens;
	return start;
}
