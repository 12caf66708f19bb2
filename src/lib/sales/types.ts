import type { PaidBy, SaleKind } from './kinds.ts';

/** An entry of the ledger. What leaves a batch is above zero; a return or a void is the other way round. */
export interface Sale {
	id: string;
	kind: SaleKind;
	/** Null for one from before its batch was kept here. */
	batchId: string | null;
	batchCode: string;
	/** The formula's name, or what a past sale says was sold. */
	product: string;
	/** Null where nobody knows. */
	packPieces: number | null;
	soldOn: string;
	channel: string;
	packs: number;
	/** Price of one pack, decimal string. */
	price: string;
	/** packs × price, decimal string. */
	total: string;
	paidBy: PaidBy | null;
	/** What one customer took at one time; null for one entered by itself. */
	checkoutId: string | null;
	customer: string;
	/** The entry it voids or returns. */
	ofId: string | null;
	/** Whether a later entry voids this one. */
	voided: boolean;
	/** Packs of it that came back. */
	returned: number;
	reason: string;
}

/** An entry as a device or a form sends it; packs are above zero whatever it is. */
export interface SaleEntry {
	/** A ULID: one sent twice is one. */
	id: string;
	kind: SaleKind;
	checkoutId: string | null;
	/** The batch the packs are of; for a void or a return that of the sale is taken. */
	batchId: string;
	soldOn: string;
	channel: string;
	packs: number;
	price: string;
	paidBy: PaidBy | null;
	customer: string;
	reason: string;
	/** The entry it voids or returns. */
	ofId: string | null;
	/** Returned packs that are not sold again. */
	thrownAway: boolean;
	/** How many pieces are in it where it is a short pack; none said, a full one. */
	pieces?: number | null;
	/** The order it was, where it was one. */
	orderId?: string | null;
}
