import { roundTo } from '../measure/round.ts';

/** What is kept of a weight: a lot's account is exact to it, and holds nothing below it. */
const STEP = 0.001;
const kept = (amount: number) => roundTo(amount, STEP);

/** A lot as it stands: what is left of it after everything drawn so far. */
export interface LotOnHand {
	id: string;
	/** Grams of an ingredient, or pieces of a packaging material. */
	onHand: number;
}

/** What a batch takes of one thing that lots are kept of. */
export interface Wanted {
	/** What the batch consumed of it (computation, section 11). */
	consumed: number;
	/** What was said to come from a lot, by lot id, in the order it was said. */
	named: ReadonlyMap<string, number>;
	/** What the batch has drawn already, by lot id. */
	drawn: ReadonlyMap<string, number>;
}

/** From which lots it comes, and what no lot had. */
export interface Drawing {
	/** By lot id; never below zero. */
	byLot: Map<string, number>;
	/** Consumed, and in no lot: something was received and not written down, or a lot was miscounted. */
	short: number;
}

/**
 * From which lots a batch draws what it consumed: first from those it was said to come from, even past
 * what was thought to be left, for it was there; the rest as it was drawn before, then from the lots
 * received first. What the lots drawn and `short` come to is what was consumed, exactly.
 */
export function drawingOf(lotsOldestFirst: readonly LotOnHand[], wanted: Wanted): Drawing {
	const byLot = new Map<string, number>();
	let rest = Math.max(0, kept(wanted.consumed));
	const take = (lotId: string, most: number) => {
		const amount = kept(Math.min(rest, Math.max(0, most)));
		if (amount <= 0) return;
		byLot.set(lotId, kept((byLot.get(lotId) ?? 0) + amount));
		rest = kept(rest - amount);
	};
	for (const [lotId, amount] of wanted.named) take(lotId, amount);
	const drawnOf = (lotId: string) => wanted.drawn.get(lotId) ?? 0;
	for (const { id } of lotsOldestFirst) take(id, drawnOf(id) - (byLot.get(id) ?? 0));
	// What this batch has drawn is its own to draw again.
	for (const { id, onHand } of lotsOldestFirst) take(id, onHand + drawnOf(id) - (byLot.get(id) ?? 0));
	return { byLot, short: rest };
}

/** What has to move so that what was drawn becomes what is to be: below zero goes back to the lot. */
export function movesTo(
	drawn: ReadonlyMap<string, number>,
	byLot: ReadonlyMap<string, number>
): Map<string, number> {
	const moves = new Map<string, number>();
	for (const lotId of new Set([...drawn.keys(), ...byLot.keys()])) {
		const move = kept((byLot.get(lotId) ?? 0) - (drawn.get(lotId) ?? 0));
		if (move !== 0) moves.set(lotId, move);
	}
	return moves;
}
