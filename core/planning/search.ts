import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Day } from './day.ts';
import {
	conflictOf,
	earliestThinkable,
	inOrder,
	latestStarts,
	networkOf,
	placedTasks,
	type Hold,
	type Network,
	type Order
} from './network.ts';
import { placeTasks } from './placing.ts';

/** Starts of all tasks in the modes chosen, with no resource overdrawn. */
export interface Solution {
	modes: number[];
	starts: number[];
	/** Of what has not begun. */
	first_min: number;
	handsOn_min: number;
}

/** A plan to begin the search from. */
export type Begun = Pick<Solution, 'modes' | 'starts'>;

/** Combinations of modes that are all tried. */
const MOST_COMBINATIONS = 4096;
/** Days of more tasks are not searched whole. */
const MOST_TASKS = 24;
/** Combinations that are gone down at once before any is searched whole. */
const FIRST_DIVES = 8;
/** So much of the time goes to placing makes first, where the rest is then searched whole. */
const SHARE_FOR_PLACING = 0.1;
/** How often another mode is tried, and how often one more change at once. */
const OTHER_MODE = 0.5;
const ONE_MORE_CHANGE = 0.4;
/** How often all of a make is moved rather than one of its tasks. */
const WHOLE_MAKE = 0.3;
/** So many tries back a way may be as bad as. */
const LATE_ACCEPTANCE = 50;
/** So many makes are freed at once to be searched among the rest, and so many ways of it are looked at. */
const FREED = 3;
const MOST_NODES = 400;
/** A minute later to begin is worth more than any hands. */
const MINUTE_OVER_HANDS = 1e5;
/** Whole searches of days of more tasks than this hardly ever end: placing gets more of the time. */
const FEW_TASKS = 10;
const SHARE_FOR_PLACING_MANY = 0.3;
/** And so much of what is left goes into a whole search of them, before makes are freed by turns. */
const SHARE_FOR_WHOLE_MANY = 0.3;

/** How long a search may take, what is drawn by, and the time in milliseconds. */
export interface Time {
	until: number;
	seed: number;
	clock: () => number;
}

/** Ways of doing a day at one lateness; the best is kept. */
export class Search {
	readonly #day: Day;
	readonly #late_min: number;
	#until: number;
	readonly #clock: () => number;
	readonly #chance: () => number;
	readonly #floor: number;
	/** Which tasks have not begun. */
	readonly #free: boolean[];
	#from: Begun | null;
	#best: Solution | null = null;
	/** So many ways are still looked at in the search that goes on. */
	#nodes = Infinity;

	constructor(day: Day, late_min: number, { until, seed, clock }: Time, from?: Begun) {
		this.#day = day;
		this.#late_min = late_min;
		this.#until = until;
		this.#clock = clock;
		const generator = xoroshiro128plus(seed);
		this.#chance = () => (generator.next() >>> 0) / 2 ** 32;
		this.#floor = earliestThinkable(day);
		this.#free = day.makes.flatMap(({ tasks }) => tasks.map(({ fixed_min }) => fixed_min === null));
		this.#from = from ?? null;
	}

	/** Any way at all, as soon as one is found. */
	quick(): Solution | null {
		this.#placeMany(this.#choices(), this.#until, true);
		return this.#best;
	}

	/** The best way; `known` is one already. */
	best(known: Solution | null = null): Solution | null {
		const choices = this.#choices();
		this.#best = known;
		this.#goOnFrom();
		const combinations = choices.reduce((product, modes) => product * modes.length, 1);
		if (combinations <= MOST_COMBINATIONS && choices.length <= MOST_TASKS) {
			const all = product(choices)
				.map((modes) => ({ modes, network: this.#network(modes) }))
				.map((each) => ({ ...each, bound: this.#boundOf(each.network) }))
				.sort((a, b) => b.bound - a.bound || a.network.handsOn_min - b.network.handsOn_min);
			// A quick dive in each of the likeliest first: the search of the rest is cut by what they find.
			for (const { modes, network } of all.slice(0, FIRST_DIVES)) this.#dive(modes, network);
			const share = choices.length > FEW_TASKS ? SHARE_FOR_PLACING_MANY : SHARE_FOR_PLACING;
			this.#placeMany(choices, this.#clock() + (this.#until - this.#clock()) * share);
			const end = this.#until;
			if (choices.length > FEW_TASKS)
				this.#until = this.#clock() + (end - this.#clock()) * SHARE_FOR_WHOLE_MANY;
			for (const { modes, network } of all) {
				if (this.#isOver()) break;
				this.#searchAll(modes, network, network.latest, network.orders);
			}
			const isWhole = !this.#isOver();
			this.#until = end;
			if (isWhole) return this.#best;
			this.#freeSome(choices);
			return this.#best;
		}
		this.#placeMany(choices, this.#clock() + (this.#until - this.#clock()) * SHARE_FOR_PLACING_MANY);
		this.#freeSome(choices);
		return this.#best;
	}

	/**
	 * The best way so far with all of it in its order but a few makes, which are searched whole among the rest: again and
	 * again, with others freed each time, and now and then another mode of theirs.
	 */
	#freeSome(choices: readonly (readonly number[])[]): void {
		const makeOf = this.#day.makes.flatMap(({ tasks }, make) => tasks.map(() => make));
		const pick = (count: number) => Math.floor(this.#chance() * count);
		while (this.#best && !this.#isOver()) {
			const { modes, starts } = this.#best;
			const freed = new Set(Array.from({ length: FREED }, () => pick(this.#day.makes.length)));
			const nextModes = modes.map((mode, place) => {
				const of = choices[place] ?? [];
				const isChanged = of.length > 1 && freed.has(makeOf[place] ?? -1) && this.#chance() < OTHER_MODE / 2;
				return isChanged ? (of[pick(of.length)] ?? mode) : mode;
			});
			const network = this.#network(nextModes);
			const isBound = ({ from }: Hold) => from >= network.tasks || !freed.has(makeOf[from] ?? -1);
			const at = (place: number) => starts[place] ?? network.latest[place] ?? 0;
			const orders = [...network.orders];
			for (const first of network.holds)
				for (const then of network.holds)
					if (
						first !== then &&
						first.resource === then.resource &&
						isBound(first) &&
						isBound(then) &&
						at(first.until) + first.after <= at(then.from)
					)
						orders.push(inOrder(first, then));
			this.#nodes = MOST_NODES;
			this.#searchAll(nextModes, network, network.latest, orders);
		}
		this.#nodes = Infinity;
	}

	/**
	 * Too much for all of it: tasks are placed one after the other, in orders that are changed a little at a time, with
	 * another mode now and then, from the best that was found.
	 */
	#placeMany(choices: readonly (readonly number[])[], until: number, isQuick = false): void {
		let order = this.#firstOrder().flatMap((at) => (this.#day.makes[at]?.tasks ?? []).map(() => at));
		let modes = this.#from
			? choices.map((of, place) => this.#from?.modes[place] ?? of[0] ?? 0)
			: choices.map((of) => of[0] ?? 0);
		const placed = placedTasks(this.#day);
		// A way is gone on from where it is no worse than what was some tries ago: so it gets out of corners in which every
		// single change is for the worse.
		let now = Infinity;
		const before = Array<number>(LATE_ACCEPTANCE).fill(Infinity);
		for (let tries = 0; tries === 0 || this.#clock() < until; tries++) {
			const [nextOrder, nextModes] = tries === 0 ? [order, modes] : this.#changed(order, modes, choices);
			const network = this.#network(nextModes);
			const starts = placeTasks(
				this.#day,
				nextOrder,
				(place) => placed[place]?.modes[nextModes[place] ?? 0] ?? { uses: {}, minutes: 0 },
				this.#floor,
				this.#late_min
			);
			// While nothing fits, any other way is as good a place to go on from.
			if (!starts) {
				if (now === Infinity) [order, modes] = [nextOrder, nextModes];
				continue;
			}
			const first = this.#firstOf(starts);
			if (this.#isBetter(first, network.handsOn_min)) this.#keep(nextModes, network, starts);
			if (isQuick) return;
			const cost = network.handsOn_min - first * MINUTE_OVER_HANDS;
			const slot = tries % LATE_ACCEPTANCE;
			if (cost <= now || cost <= (before[slot] ?? Infinity)) {
				[order, modes] = [nextOrder, nextModes];
				now = cost;
			}
			before[slot] = now;
		}
	}

	/** What is ready last is placed first; where a plan is gone on from, what begins last in it. */
	#firstOrder(): number[] {
		const { makes, sequences } = this.#day;
		let place = 0;
		const begins = makes.map(({ ready_min, tasks }) => {
			const start = this.#from?.starts[place] ?? ready_min;
			place += tasks.length;
			return start;
		});
		const order = [...makes.keys()].sort((a, b) => (begins[b] ?? 0) - (begins[a] ?? 0));
		if (this.#from) return order;
		// What has to come after something is placed before it.
		const isAfter = (then: number, first: number) =>
			sequences.some((each) => each.first === makes[first]?.id && each.then === makes[then]?.id);
		const sorted: number[] = [];
		for (let left = order; left.length > 0;) {
			const next =
				left.find((each) => !left.some((other) => other !== each && isAfter(other, each))) ?? left[0];
			sorted.push(next ?? 0);
			left = left.filter((each) => each !== next);
		}
		return sorted;
	}

	/** What was planned before, with what is fixed now put in its place: good where nothing else has to move. */
	#goOnFrom(): void {
		if (!this.#from) return;
		const { modes, starts } = this.#from;
		const network = this.#network(modes);
		const now = network.latest.map((latest, place) => Math.min(latest, starts[place] ?? latest));
		this.#dive([...modes], network, now);
		this.#dive([...modes], network);
	}

	/** The first start of what has not begun. */
	#firstOf(starts: readonly number[]): number {
		let first = Infinity;
		for (const [place, isFree] of this.#free.entries())
			if (isFree) first = Math.min(first, starts[place] ?? Infinity);
		return first;
	}

	/** A change or a few: another make is placed earlier or later, or a task is done another way. */
	#changed(
		order: readonly number[],
		modes: readonly number[],
		choices: readonly (readonly number[])[]
	): [number[], number[]] {
		const pick = (count: number) => Math.floor(this.#chance() * count);
		const nextOrder = [...order];
		const nextModes = [...modes];
		const free = choices.flatMap((of, place) => (of.length > 1 ? place : []));
		do {
			if (free.length > 0 && (order.length < 2 || this.#chance() < OTHER_MODE)) {
				const place = free[pick(free.length)] ?? 0;
				const of = choices[place] ?? [];
				nextModes[place] = of[pick(of.length)] ?? 0;
			} else if (this.#chance() < WHOLE_MAKE) {
				// All of a make goes before or after another.
				const moved = nextOrder[pick(nextOrder.length)];
				const rest = nextOrder.filter((each) => each !== moved);
				const to = pick(rest.length + 1);
				nextOrder.splice(
					0,
					nextOrder.length,
					...rest.slice(0, to),
					...nextOrder.filter((each) => each === moved),
					...rest.slice(to)
				);
			} else {
				const [moved] = nextOrder.splice(pick(nextOrder.length), 1);
				if (moved !== undefined) nextOrder.splice(pick(nextOrder.length + 1), 0, moved);
			}
		} while (this.#chance() < ONE_MORE_CHANGE);
		return [nextOrder, nextModes];
	}

	/** Modes of each task that fit what there is. */
	#choices(): number[][] {
		const { resources } = this.#day;
		return placedTasks(this.#day).map(({ modes }) =>
			modes.flatMap(({ uses, keeps }, mode) =>
				[...Object.entries(uses), ...Object.entries(keeps ?? {})].every(
					([resource, amount]) => amount <= (resources[resource] ?? 0)
				)
					? mode
					: []
			)
		);
	}

	#network(modes: readonly number[]): Network {
		const placed = placedTasks(this.#day);
		return networkOf(
			this.#day,
			(place) => placed[place]?.modes[modes[place] ?? 0] ?? { uses: {}, minutes: 0 },
			this.#floor,
			this.#late_min
		);
	}

	#boundOf(network: Network): number {
		const starts = latestStarts(network.latest, network.orders, network.floors);
		if (!starts) return -Infinity;
		const { resources, makes } = this.#day;
		// All that is worked with one thing has to be done by the last moment of all.
		const end = Math.max(...makes.map(({ ready_min }) => ready_min)) + this.#late_min;
		const worked = new Map<string, number>();
		for (const { resource, amount, from, until, after } of network.holds)
			if (from === until && from < network.tasks)
				worked.set(resource, (worked.get(resource) ?? 0) + amount * after);
		const bounds = [...worked].map(([resource, work]) => end - Math.ceil(work / (resources[resource] ?? 1)));
		return Math.min(this.#firstOf(starts), ...bounds);
	}

	#isOver = (): boolean => this.#clock() >= this.#until;

	/** Every way of resolving what is overdrawn that can still be better than the best. */
	#searchAll(modes: number[], network: Network, from: readonly number[], orders: readonly Order[]): void {
		if (--this.#nodes < 0) return;
		const starts = latestStarts(from, orders, network.floors);
		if (!starts || !this.#isBetter(this.#firstOf(starts), network.handsOn_min)) return;
		const conflict = conflictOf(starts, network, this.#day.resources);
		if (!conflict) {
			this.#keep(modes, network, starts);
			return;
		}
		for (const { order } of this.#ways(conflict, starts, orders, network.floors)) {
			if (this.#isOver()) return;
			this.#searchAll(modes, network, starts, [...orders, order]);
		}
	}

	/** One way down, the best at each turn; it is left where the time is over. */
	#dive(modes: number[], network: Network, from: readonly number[] = network.latest): void {
		let orders: readonly Order[] = network.orders;
		let starts = latestStarts(from, orders, network.floors);
		while (starts) {
			const conflict = conflictOf(starts, network, this.#day.resources);
			if (!conflict) {
				if (this.#isBetter(this.#firstOf(starts), network.handsOn_min)) this.#keep(modes, network, starts);
				return;
			}
			const [way] = this.#ways(conflict, starts, orders, network.floors);
			if (!way || this.#isOver()) return;
			orders = [...orders, way.order];
			starts = way.starts;
		}
	}

	/** The orders that resolve a conflict, with the starts each leads to, the least harmful first. */
	#ways(
		conflict: readonly Hold[],
		starts: readonly number[],
		orders: readonly Order[],
		floors: readonly number[]
	) {
		return conflict
			.flatMap((first) =>
				conflict.flatMap((then) => {
					if (first === then) return [];
					const order = inOrder(first, then);
					const led = latestStarts(starts, [...orders, order], floors);
					return led ? { order, starts: led, first_min: this.#firstOf(led), sum: total(led) } : [];
				})
			)
			.sort((a, b) => b.first_min - a.first_min || b.sum - a.sum);
	}

	#isBetter(first_min: number, handsOn_min: number): boolean {
		const best = this.#best;
		if (!best) return true;
		return first_min > best.first_min || (first_min === best.first_min && handsOn_min < best.handsOn_min);
	}

	#keep(modes: number[], { handsOn_min, tasks }: Network, starts: number[]): void {
		this.#best = { modes, starts: starts.slice(0, tasks), first_min: this.#firstOf(starts), handsOn_min };
	}
}

const total = (numbers: readonly number[]): number => numbers.reduce((sum, number) => sum + number, 0);

/** Every choice of one of each. */
function product(choices: readonly (readonly number[])[]): number[][] {
	return choices.reduce<number[][]>(
		(all, of) => all.flatMap((before) => of.map((mode) => [...before, mode])),
		[[]]
	);
}
