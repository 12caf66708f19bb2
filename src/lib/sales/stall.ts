import { Decimal } from 'decimal.js';
import type { BatchLeft } from '../batch/left.ts';
import { remaining } from '$core/bench/short-packs.ts';
import { shortPrice } from './short-price.ts';
import type { SaleEntry } from './types.ts';
import type { PaidBy, SaleKind } from './kinds.ts';

/** A product at the stall, with its batches that have packs left, oldest first. */
export interface StallProduct {
	productId: string;
	name: string;
	packPieces: number;
	price: string;
	/** Not counting what is past its best-before. */
	left: number;
	batches: BatchLeft[];
}

/** Packs of one batch that a customer takes. */
export interface BasketLine {
	batchId: string;
	packs: number;
	/** Of a short pack, what is in it; null of full ones. */
	pieces: number | null;
}

/** A pack that holds fewer, at its share of the price. */
export interface ShortPack {
	batchId: string;
	name: string;
	pieces: number;
	price: string;
}

const LEAVES: readonly SaleKind[] = ['sale', 'gift', 'sample', 'written off'];

/** How many full packs some entries take of each batch; voids give back what they void. */
export function takenBy(all: readonly SaleEntry[]): Map<string, number> {
	const entries = all.filter((entry) => (entry.pieces ?? null) === null);
	const byId = new Map(entries.map((entry) => [entry.id, entry]));
	const taken = new Map<string, number>();
	const add = (batchId: string, packs: number) => taken.set(batchId, (taken.get(batchId) ?? 0) + packs);
	for (const entry of entries) {
		if (LEAVES.includes(entry.kind)) add(entry.batchId, entry.packs);
		if (entry.kind === 'void') {
			const of = byId.get(entry.ofId ?? '');
			add(entry.batchId, -(of?.packs ?? entry.packs));
		}
	}
	return taken;
}

/** The short packs that are left once some entries are through; of a day, only those not past their best-before. */
export function shortPacksOf(
	batches: readonly BatchLeft[],
	entries: readonly SaleEntry[],
	day: string | null
): ShortPack[] {
	const known = new Set(entries.map((entry) => entry.id));
	const voided = new Set(
		entries.flatMap((entry) => (entry.kind === 'void' && entry.ofId ? [entry.ofId] : []))
	);
	return batches.flatMap((batch) => {
		if (day !== null && isPast(batch, day)) return [];
		const gone = entries.flatMap(({ id, kind, batchId, pieces }) =>
			batchId === batch.id && pieces && LEAVES.includes(kind) && !voided.has(id) ? [pieces] : []
		);
		// A void of what the server knows of gives one back.
		const back = entries.flatMap(({ kind, batchId, pieces, ofId }) =>
			kind === 'void' && batchId === batch.id && pieces && !known.has(ofId ?? '') ? [pieces] : []
		);
		return remaining([...batch.shortPacks, ...back], gone).map((pieces) => ({
			batchId: batch.id,
			name: batch.name,
			pieces,
			price: shortPrice(batch.price ?? '0', pieces, batch.packPieces)
		}));
	});
}

/** Whether a batch is past the day its packs are best before; a pack is good through that day. */
export function isPast({ bestBefore }: Pick<BatchLeft, 'bestBefore'>, day: string): boolean {
	return bestBefore !== null && bestBefore < day;
}

/** The products that can be sold now, once `taken` packs of each batch are gone; by name. */
export function stallProducts(
	batchesOldestFirst: readonly BatchLeft[],
	taken: ReadonlyMap<string, number>,
	day: string
): StallProduct[] {
	const products = new Map<string, StallProduct>();
	for (const batch of batchesOldestFirst) {
		const packsLeft = batch.packsLeft - (taken.get(batch.id) ?? 0);
		const product = products.get(batch.productId) ?? {
			productId: batch.productId,
			name: batch.name,
			packPieces: batch.packPieces,
			price: batch.price ?? '0',
			left: 0,
			batches: []
		};
		if (!isPast(batch, day)) product.left += Math.max(0, packsLeft);
		product.batches.push({ ...batch, packsLeft });
		products.set(batch.productId, product);
	}
	return [...products.values()].sort((a, b) => a.name.localeCompare(b.name));
}

/**
 * The basket with one pack more of a product: of its oldest batch that has one left and is not past its
 * best-before; null where none is. One past it can be chosen by hand, and is never taken by itself.
 */
export function addPack(
	basket: readonly BasketLine[],
	product: StallProduct,
	day: string
): BasketLine[] | null {
	const inBasket = (batchId: string) =>
		basket.find((line) => line.batchId === batchId && line.pieces === null)?.packs ?? 0;
	const batch = product.batches.find((each) => !isPast(each, day) && each.packsLeft > inBasket(each.id));
	return batch ? setPacks(basket, batch.id, inBasket(batch.id) + 1) : null;
}

/** The basket with so many packs of a batch, full ones or short ones of so many pieces; none takes the line out. */
export function setPacks(
	basket: readonly BasketLine[],
	batchId: string,
	packs: number,
	pieces: number | null = null
): BasketLine[] {
	const isIt = (line: BasketLine) => line.batchId === batchId && line.pieces === pieces;
	const others = basket.some(isIt)
		? basket.map((line) => (isIt(line) ? { ...line, packs } : line))
		: [...basket, { batchId, packs, pieces }];
	return others.filter((line) => line.packs > 0);
}

/** What a basket costs, to the cent. */
export function basketTotal(basket: readonly BasketLine[], priceOf: (line: BasketLine) => string): string {
	return basket
		.reduce((sum, line) => sum.plus(new Decimal(priceOf(line)).times(line.packs)), new Decimal(0))
		.toFixed(2);
}

/** What was taken in, with entries that are not in it yet; a void gives its money back. To the cent. */
export function takingsWith(taken: string, entries: readonly SaleEntry[]): string {
	return entries
		.reduce(
			(sum, { kind, price, packs }) => sum.plus(new Decimal(price).times(kind === 'void' ? -packs : packs)),
			new Decimal(taken)
		)
		.toFixed(2);
}

/** Round sums somebody may hand over for an amount, the smallest first. */
export function likelyGiven(amount: string): string[] {
	const NOTES = [1, 5, 10, 20, 50, 100];
	const due = new Decimal(amount);
	const sums = NOTES.map((note) => due.div(note).ceil().times(note)).filter((sum) => sum.greaterThan(due));
	return [...new Set(sums.map((sum) => sum.toFixed(2)))].slice(0, 4);
}

/** The change to give, to the cent; null where it is not enough. */
export function changeOf(amount: string, given: string): string | null {
	const change = new Decimal(given).minus(amount);
	return change.isNegative() ? null : change.toFixed(2);
}

/** What a checkout is, beside its lines. */
export interface Checkout {
	kind: 'sale' | 'gift' | 'sample' | 'written off';
	paidBy: PaidBy | null;
	customer: string;
	reason: string;
	soldOn: string;
	channel: string;
}

/** The entries of a checkout. */
export function entriesOfCheckout(
	basket: readonly BasketLine[],
	checkout: Checkout,
	priceOf: (line: BasketLine) => string,
	newId: () => string
): SaleEntry[] {
	const checkoutId = newId();
	// A short pack is an entry of its own: each is one.
	const lines = basket.flatMap((line) =>
		line.pieces === null ? line : Array.from({ length: line.packs }, () => ({ ...line, packs: 1 }))
	);
	return lines.map((line) => ({
		...checkout,
		id: newId(),
		checkoutId,
		batchId: line.batchId,
		packs: line.packs,
		price: checkout.kind === 'sale' ? priceOf(line) : '0',
		pieces: line.pieces,
		ofId: null,
		thrownAway: false
	}));
}

/** The entries that take a checkout back. */
export function undoEntries(entries: readonly SaleEntry[], reason: string, newId: () => string): SaleEntry[] {
	return entries.map((entry) => ({ ...entry, id: newId(), kind: 'void', ofId: entry.id, reason }));
}

/** Why packs of a basket should not be sold as they are, in words: their labels say less than what is in them. */
export function heldIn(
	basket: readonly BasketLine[],
	batchOf: ReadonlyMap<string, Pick<BatchLeft, 'code' | 'name' | 'held'>>
): string[] {
	return basket.flatMap(({ batchId }) => {
		const batch = batchOf.get(batchId);
		return batch && batch.held.length > 0
			? [`${batch.name}, batch ${batch.code}: ${batch.held.join('; ')}`]
			: [];
	});
}
