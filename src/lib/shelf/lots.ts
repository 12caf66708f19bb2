import type { CountUnit } from '$core/stock/use.ts';

/** A lot of an ingredient, or of a packaging material, as it was received and as it stands. */
export interface Lot {
	id: string;
	/** The kitchen's own: `L-0042`. */
	code: string;
	/** Null for a packaging material. */
	ingredientId: string | null;
	/** Of the ingredient or the material. */
	name: string;
	unit: CountUnit;
	supplier: string;
	/** What the supplier printed on it. */
	supplierCode: string;
	receivedOn: string;
	received: number;
	onHand: number;
	/** What was paid for all of it, decimal string; null where nobody said. */
	amount: string | null;
	usable: number;
	bestBefore: string | null;
	note: string;
}

/** What is written down of a lot when it comes. */
export interface LotInput {
	/** The ingredient's id; empty for a packaging material. */
	ingredientId: string;
	material: string;
	supplier: string;
	supplierCode: string;
	receivedOn: string;
	received: number;
	amount: string | null;
	usable: number;
	bestBefore: string | null;
	note: string;
}

/** Something that came into a lot (above zero) or left it. */
export interface LotMove {
	id: string;
	kind: 'received' | 'drawn' | 'counted' | 'taken back';
	amount: number;
	batchId: string | null;
	batchCode: string | null;
	reason: string;
	movedAt: string;
}

/** What a batch uses of something lots are kept of, and where it came from. */
export interface BatchStock {
	/** Null for a packaging material. */
	ingredientId: string | null;
	name: string;
	unit: CountUnit;
	/** Pieces of a packaging material that go into one pack; 0 for an ingredient. */
	perPack: number;
	/** In the order they were received. */
	from: { lotId: string; code: string; amount: number }[];
}
