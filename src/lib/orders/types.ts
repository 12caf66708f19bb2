import type { PaidBy } from '../sales/kinds.ts';

export const ORDER_STATES = ['open', 'fetched', 'cancelled'] as const;
export type OrderState = (typeof ORDER_STATES)[number];

/** How an order is paid ahead. */
export type PaidAhead = Exclude<PaidBy, 'owed'>;

export interface OrderLine {
	productId: string;
	name: string;
	packPieces: number;
	packs: number;
	/** Of one pack, decimal string. */
	price: string;
}

/** Packs somebody asked for ahead. */
export interface Order {
	id: string;
	version: number;
	customer: string;
	fetchedOn: string;
	place: string;
	note: string;
	state: OrderState;
	/** How and when it was paid ahead; null while it is owed. */
	paidBy: PaidAhead | null;
	paidOn: string | null;
	weekly: boolean;
	lines: OrderLine[];
	/** Decimal string. */
	total: string;
	history: { at: string; what: string; by: string }[];
}

/** An order as it is taken or changed. */
export interface OrderInput {
	customer: string;
	fetchedOn: string;
	place: string;
	note: string;
	weekly: boolean;
	/** Paid ahead in this way; empty while it is owed. */
	paid: PaidAhead | '';
	lines: { productId: string; packs: number; price: string }[];
}
