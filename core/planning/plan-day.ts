import type { Outcome, Problem } from '../problem.ts';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Day, DayPlan } from './day.ts';
import {
	conflictOf,
	inOrder,
	latestStarts,
	networkOf,
	placedTasks,
	type Hold,
	type Network,
	type Order
} from './network.ts';
import { placeMakes } from './placing.ts';
import { latestAlone } from './slack.ts';

/** Starts of all tasks in the modes chosen, with no resource overdrawn. */
interface Solution {
	modes: number[];
	starts: number[];
	first_min: number;
	handsOn_min: number;
}

/** So much of the time goes to asking what one more of each resource would give. */
const SHARE_FOR_LIMITS = 0.3;
/** Combinations of modes that are all tried. */
const MOST_COMBINATIONS = 4096;
/** Days of more tasks are not searched whole. */
const MOST_TASKS = 24;
/** Combinations that are gone down at once before any is searched whole. */
const FIRST_DIVES = 8;
/** So much of the time goes to placing makes first, where the rest is then searched whole. */
const SHARE_FOR_PLACING = 0.1;
/** How often another mode is tried. */
const OTHER_MODE = 0.3;

/**
 * When each task of a day starts, planned backwards (section 17): every make ready by its minute, then the latest first
 * start, then the fewest person-minutes. Latest starts come from the orders of the tasks; where they overdraw a
 * resource, one of what holds it has to end before another begins, and each way is tried, the best first. Small days
 * are searched whole; of large ones the best is given that was found in the time. `clock` says the time in milliseconds.
 */
export function planDay(day: Day, budget_ms: number, seed: number, clock: () => number): Outcome<DayPlan> {
	const problems = impossible(day);
	if (problems.length > 0) return { ok: false, problems };
	const begun = clock();
	const best = new Search(day, begun + budget_ms * (1 - SHARE_FOR_LIMITS), seed, clock).best();
	if (!best)
		return {
			ok: false,
			problems: [{ path: 'makes', message: 'they cannot be made with what there is, however early' }]
		};
	const tasks = placedTasks(day).map(({ make, task }, place) => ({
		make: day.makes[make]?.id ?? '',
		task: day.makes[make]?.tasks[task]?.id ?? '',
		mode: best.modes[place] ?? 0,
		start_min: best.starts[place] ?? 0,
		latestStart_min: latestAlone(day, best.modes, best.starts, place)
	}));
	return {
		ok: true,
		value: {
			// There is always an earlier minute to begin at, so nothing has to be late.
			late_min: 0,
			firstStart_min: best.first_min,
			handsOn_min: best.handsOn_min,
			tasks,
			limits: limitOf(day, best.first_min, begun + budget_ms, seed, clock)
		}
	};
}

/** The resource of which one more would let the day begin latest. */
function limitOf(
	day: Day,
	first_min: number,
	until: number,
	seed: number,
	clock: () => number
): string | null {
	const names = Object.keys(day.resources);
	let best: { resource: string; first_min: number } | null = null;
	for (const [at, resource] of names.entries()) {
		const more = { ...day, resources: { ...day.resources, [resource]: (day.resources[resource] ?? 0) + 1 } };
		const share = Math.max(0, until - clock()) / (names.length - at);
		const found = new Search(more, clock() + share, seed, clock).best();
		if (found && found.first_min > (best?.first_min ?? first_min))
			best = { resource, first_min: found.first_min };
	}
	return best?.resource ?? null;
}

/** Tasks that need more than there is in every mode, or a resource nobody has. */
function impossible({ resources, makes }: Day): Problem[] {
	const problems: Problem[] = [];
	for (const [at, { tasks }] of makes.entries())
		for (const [nth, { modes, keeps }] of tasks.entries()) {
			const fits = (needs: Readonly<Record<string, number>>) =>
				Object.entries(needs).every(([resource, amount]) => amount <= (resources[resource] ?? 0));
			const path = `makes[${at}].tasks[${nth}]`;
			if (!modes.some(({ uses }) => fits(uses)))
				problems.push({ path: `${path}.modes`, message: 'every way to do it needs more than there is' });
			if (!fits(keeps)) problems.push({ path: `${path}.keeps`, message: 'it keeps more than there is' });
		}
	return problems;
}

class Search {
	readonly #day: Day;
	readonly #until: number;
	readonly #clock: () => number;
	readonly #chance: () => number;
	readonly #floor: number;
	#best: Solution | null = null;

	constructor(day: Day, until: number, seed: number, clock: () => number) {
		this.#day = day;
		this.#until = until;
		this.#clock = clock;
		const generator = xoroshiro128plus(seed);
		this.#chance = () => (generator.next() >>> 0) / 2 ** 32;
		this.#floor = earliestThinkable(day);
	}

	best(): Solution | null {
		const choices = this.#choices();
		const combinations = choices.reduce((product, modes) => product * modes.length, 1);
		if (combinations <= MOST_COMBINATIONS && choices.length <= MOST_TASKS) {
			const all = product(choices)
				.map((modes) => ({ modes, network: this.#network(modes) }))
				.map((each) => ({ ...each, bound: this.#boundOf(each.network) }))
				.sort((a, b) => b.bound - a.bound || a.network.handsOn_min - b.network.handsOn_min);
			// A quick dive in each of the likeliest first: the search of the rest is cut by what they find.
			for (const { modes, network } of all.slice(0, FIRST_DIVES)) this.#dive(modes, network);
			this.#placeMany(choices, this.#clock() + (this.#until - this.#clock()) * SHARE_FOR_PLACING);
			for (const { modes, network } of all) {
				if (this.#isOver()) break;
				this.#searchAll(modes, network, network.latest, network.orders);
			}
			if (!this.#isOver()) return this.#best;
		}
		this.#placeMany(choices, this.#until);
		return this.#best;
	}

	/**
	 * Too much for all of it: makes are placed one after the other, in orders that are changed a little at a time, with
	 * another mode now and then, from the best that was found.
	 */
	#placeMany(choices: readonly (readonly number[])[], until: number): void {
		let order = [...this.#day.makes.keys()].sort(
			(a, b) => (this.#day.makes[b]?.ready_min ?? 0) - (this.#day.makes[a]?.ready_min ?? 0)
		);
		let modes = choices.map((of) => of[0] ?? 0);
		for (let tries = 0; tries === 0 || this.#clock() < until; tries++) {
			const [nextOrder, nextModes] = tries === 0 ? [order, modes] : this.#changed(order, modes, choices);
			const network = this.#network(nextModes);
			const placed = placedTasks(this.#day);
			const starts = placeMakes(
				this.#day,
				nextOrder,
				(place) => placed[place]?.modes[nextModes[place] ?? 0] ?? { uses: {}, minutes: 0 },
				this.#floor
			);
			if (!starts) continue;
			const isKept = this.#isBetter(Math.min(...starts), network.handsOn_min);
			if (isKept) this.#keep(nextModes, network, starts);
			// As good is taken up too: from there it may go on.
			if (isKept || Math.min(...starts) === this.#best?.first_min) [order, modes] = [nextOrder, nextModes];
		}
	}

	#changed(
		order: readonly number[],
		modes: readonly number[],
		choices: readonly (readonly number[])[]
	): [number[], number[]] {
		const pick = (count: number) => Math.floor(this.#chance() * count);
		const next = [...order];
		const [moved] = next.splice(pick(next.length), 1);
		if (moved !== undefined) next.splice(pick(next.length + 1), 0, moved);
		const free = choices.flatMap((of, place) => (of.length > 1 ? place : []));
		const otherwise = free.length > 0 && this.#chance() < OTHER_MODE ? free[pick(free.length)] : undefined;
		const changed = modes.map((mode, place) => {
			const of = choices[place] ?? [];
			return place === otherwise ? (of[pick(of.length)] ?? mode) : mode;
		});
		return [next, changed];
	}

	/** Modes of each task that fit what there is. */
	#choices(): number[][] {
		const { resources } = this.#day;
		return placedTasks(this.#day).map(({ modes }) =>
			modes.flatMap(({ uses }, mode) =>
				Object.entries(uses).every(([resource, amount]) => amount <= (resources[resource] ?? 0)) ? mode : []
			)
		);
	}

	#network(modes: readonly number[]): Network {
		const placed = placedTasks(this.#day);
		return networkOf(
			this.#day,
			(place) => placed[place]?.modes[modes[place] ?? 0] ?? { uses: {}, minutes: 0 }
		);
	}

	#boundOf(network: Network): number {
		const starts = latestStarts(network.latest, network.orders, this.#floor);
		return starts ? Math.min(...starts) : -Infinity;
	}

	#isOver = (): boolean => this.#clock() >= this.#until;

	/** Every way of resolving what is overdrawn that can still be better than the best. */
	#searchAll(modes: number[], network: Network, from: readonly number[], orders: readonly Order[]): void {
		const starts = latestStarts(from, orders, this.#floor);
		if (!starts || !this.#isBetter(Math.min(...starts), network.handsOn_min)) return;
		const conflict = conflictOf(starts, network, this.#day.resources);
		if (!conflict) {
			this.#keep(modes, network, starts);
			return;
		}
		for (const { order } of this.#ways(conflict, starts, orders)) {
			if (this.#isOver()) return;
			this.#searchAll(modes, network, starts, [...orders, order]);
		}
	}

	/** One way down, the best at each turn. */
	#dive(modes: number[], network: Network): void {
		let orders: readonly Order[] = network.orders;
		let starts = latestStarts(network.latest, orders, this.#floor);
		while (starts) {
			const conflict = conflictOf(starts, network, this.#day.resources);
			if (!conflict) {
				if (this.#isBetter(Math.min(...starts), network.handsOn_min)) this.#keep(modes, network, starts);
				return;
			}
			const [way] = this.#ways(conflict, starts, orders);
			if (!way || this.#isOver()) return;
			orders = [...orders, way.order];
			starts = way.starts;
		}
	}

	/** The orders that resolve a conflict, with the starts each leads to, the least harmful first. */
	#ways(conflict: readonly Hold[], starts: readonly number[], orders: readonly Order[]) {
		return conflict
			.flatMap((first) =>
				conflict.flatMap((then) => {
					if (first === then) return [];
					const order = inOrder(first, then);
					const led = latestStarts(starts, [...orders, order], this.#floor);
					return led ? { order, starts: led, first_min: Math.min(...led), sum: total(led) } : [];
				})
			)
			.sort((a, b) => b.first_min - a.first_min || b.sum - a.sum);
	}

	#isBetter(first_min: number, handsOn_min: number): boolean {
		const best = this.#best;
		if (!best) return true;
		return first_min > best.first_min || (first_min === best.first_min && handsOn_min < best.handsOn_min);
	}

	#keep(modes: number[], { handsOn_min }: Network, starts: number[]): void {
		this.#best = { modes, starts, first_min: Math.min(...starts), handsOn_min };
	}
}

const total = (numbers: readonly number[]): number => numbers.reduce((sum, number) => sum + number, 0);

/** Before this nothing has to begin: as if everything were done one after the other, with all its waits. */
function earliestThinkable({ makes }: Day): number {
	const ready = Math.min(...makes.map(({ ready_min }) => ready_min));
	const all = makes
		.flatMap(({ tasks }) => tasks)
		.map(({ modes, waitLow_min, waitHigh_min }) => {
			const longest = Math.max(...modes.map(({ minutes }) => minutes));
			return longest + Math.max(waitLow_min, waitHigh_min ?? 0);
		});
	return ready - total(all) - 1;
}

/** Every choice of one of each. */
function product(choices: readonly (readonly number[])[]): number[][] {
	return choices.reduce<number[][]>(
		(all, of) => all.flatMap((before) => of.map((mode) => [...before, mode])),
		[[]]
	);
}
