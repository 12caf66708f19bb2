import { gramsOf, programOf, type Ask, type Asked, type Model } from './model.ts';
import type { Solver } from './program.ts';
import { sumAt } from './quantity.ts';

/** What one ask of a conflict would have to be for the others of it to hold; in the unit it was asked in. */
export interface Giving {
	ask: Ask;
	would: number;
}

export interface Conflict {
	asks: Ask[];
	giving: Giving[];
}

/** So many asks are tried in every combination; of more, one after another is left out. */
const MOST_TRIED = 12;
/** Newton’s steps until a figure is as far as it can go. */
const STEPS = 30;

/**
 * The smallest set of asks that cannot hold together, at any of the ball weights, and by how little each of it would
 * have to give. `models` are those of each ball weight; `kept` holds in any case.
 */
export function smallestConflict(
	models: readonly Model[],
	among: (model: Model) => readonly Asked[],
	solve: Solver
): Conflict {
	const [first] = models;
	const count = first ? among(first).length : 0;
	const can = (places: readonly number[]) =>
		models.some((model) => solve(programOf(model, { asked: withKept(model, among, places) })) !== null);
	const places = count <= MOST_TRIED ? smallestOf(count, can) : irreducible(count, can);
	const asks = places.flatMap((place) => (first ? (among(first)[place]?.ask ?? []) : []));
	return {
		asks,
		giving: places.flatMap((place) => {
			const others = places.filter((each) => each !== place);
			return giving(models, among, place, others, solve);
		})
	};
}

/** What is asked and is not among those that may give, and those of some places. */
function withKept(
	model: Model,
	among: (model: Model) => readonly Asked[],
	places: readonly number[]
): Asked[] {
	const may = among(model);
	const kept = model.asked.filter((asked) => !may.includes(asked));
	return [...kept, ...places.flatMap((place) => may[place] ?? [])];
}

/** The first of the smallest sets of places that cannot be. */
function smallestOf(count: number, can: (places: readonly number[]) => boolean): number[] {
	for (let size = 0; size <= count; size++)
		for (const places of combinations(count, size)) if (!can(places)) return places;
	return [];
}

function* combinations(count: number, size: number, from = 0): Generator<number[]> {
	if (size === 0) {
		yield [];
		return;
	}
	for (let first = from; first <= count - size; first++)
		for (const rest of combinations(count, size - 1, first + 1)) yield [first, ...rest];
}

/** Places of which none can be left out. */
function irreducible(count: number, can: (places: readonly number[]) => boolean): number[] {
	let places = Array.from({ length: count }, (_, place) => place);
	for (const place of [...places]) {
		const without = places.filter((each) => each !== place);
		if (!can(without)) places = without;
	}
	return places;
}

/** The nearest that a figure can come to its bound while some others hold, over all ball weights. */
function giving(
	models: readonly Model[],
	among: (model: Model) => readonly Asked[],
	place: number,
	others: readonly number[],
	solve: Solver
): Giving[] {
	const reached = models.flatMap((model) => {
		const asked = among(model)[place];
		if (!asked) return [];
		const rest = withKept(model, among, others);
		const most = Number.isFinite(asked.quantity.high) ? furthest(model, asked, 1, rest, solve) : null;
		const least = Number.isFinite(asked.quantity.low) ? furthest(model, asked, -1, rest, solve) : null;
		const { low, high, factor } = asked.quantity;
		// Which of two bounds is in the way is the one it cannot come to.
		if (most !== null && most > high) return [{ ask: asked.ask, by: most - high, would: most / factor }];
		if (least !== null && least < low) return [{ ask: asked.ask, by: low - least, would: least / factor }];
		return [];
	});
	const [best] = reached.sort((a, b) => a.by - b.by);
	return best ? [{ ask: best.ask, would: best.would }] : [];
}

/**
 * The least (or, with −1, the most) that a figure can be while some asks hold: a quotient of two sums, found by
 * Dinkelbach’s steps. Null where they cannot hold.
 */
export function furthest(
	model: Model,
	{ quantity: { over, under } }: Pick<Asked, 'quantity'>,
	sign: 1 | -1,
	asked: readonly Asked[],
	solve: Solver
): number | null {
	let bound = 0;
	for (let step = 0; step < STEPS; step++) {
		const factors = over.factors.map((factor, at) => sign * (factor - bound * (under.factors[at] ?? 0)));
		const found = solve(programOf(model, { asked, least: { factors } }));
		if (!found) return step === 0 ? null : bound;
		const grams = gramsOf(model, found.values);
		const next = sumAt(over, grams) / sumAt(under, grams);
		if (!Number.isFinite(next)) return null;
		if (step > 0 && Math.abs(next - bound) <= 1e-12 * Math.max(1, Math.abs(bound))) return next;
		bound = next;
		if (under.factors.every((factor) => factor === 0)) return next;
	}
	return bound;
}
