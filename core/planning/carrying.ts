import type { Sequence } from './day.ts';

/** A make as far as it leaves something for others: the tags it handles, and what it shares. */
export interface Carrier {
	id: string;
	allergens: readonly string[];
	/** Resources that are not clean after it. */
	uses: readonly string[];
}

/** The order in which makes carry the fewest allergens on, and what has to be cleaned within it. */
export interface Carried {
	/** Ids, first made first. */
	order: string[];
	/** Pairs that have to be in this order on what they share, or more would be carried. */
	sequences: Sequence[];
	/** Makes after which what they share is cleaned: a later one lacks an allergen of theirs. */
	cleans: string[];
}

/** All orders of so many are tried. */
const MOST_TRIED = 7;

/** How many allergens the one would leave for the other on what both use. */
export function carriedOn(from: Carrier, to: Carrier): number {
	if (!from.uses.some((each) => to.uses.includes(each))) return 0;
	return from.allergens.filter((tag) => !to.allergens.includes(tag)).length;
}

/**
 * The order of makes that share equipment in which the fewest allergens are carried on (section 10): those with few
 * before those with more. What still is, is cleaned away.
 */
export function carryingOrder(makes: readonly Carrier[]): Carried {
	const order = makes.length <= MOST_TRIED ? leastByTrying(makes) : leastByGrowing(makes);
	const sequences = order.flatMap((first, at) =>
		order
			.slice(at + 1)
			.flatMap((then): Sequence[] =>
				carriedOn(first, then) > 0 || carriedOn(then, first) > 0 ? [{ first: first.id, then: then.id }] : []
			)
	);
	const cleans = order.filter((first, at) => order.slice(at + 1).some((then) => carriedOn(first, then) > 0));
	return { order: order.map(({ id }) => id), sequences, cleans: cleans.map(({ id }) => id) };
}

const costOf = (order: readonly Carrier[]): number =>
	order.reduce(
		(sum, first, at) => sum + order.slice(at + 1).reduce((more, then) => more + carriedOn(first, then), 0),
		0
	);

function leastByTrying(makes: readonly Carrier[]): readonly Carrier[] {
	let best: readonly Carrier[] = makes;
	let least = costOf(makes);
	const grow = (done: Carrier[], left: readonly Carrier[], cost: number): void => {
		if (cost >= least) return;
		if (left.length === 0) {
			best = [...done];
			least = cost;
			return;
		}
		for (const next of left) {
			const rest = left.filter((each) => each !== next);
			grow([...done, next], rest, cost + rest.reduce((sum, then) => sum + carriedOn(next, then), 0));
		}
	};
	grow([], makes, 0);
	return best;
}

/** Each time the one that leaves the least for those after it. */
function leastByGrowing(makes: readonly Carrier[]): Carrier[] {
	const left = [...makes];
	const order: Carrier[] = [];
	while (left.length > 0) {
		const costs = left.map((one) =>
			left.reduce((sum, other) => sum + (one === other ? 0 : carriedOn(one, other)), 0)
		);
		const [next] = left.splice(costs.indexOf(Math.min(...costs)), 1);
		if (next) order.push(next);
	}
	return order;
}
