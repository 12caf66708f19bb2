import type { PaidBy, SaleKind } from './kinds.ts';

/** What is brought in: voids and returns are not, only what stands. */
export const PAST_KINDS = ['sale', 'gift', 'sample', 'written off'] as const satisfies readonly SaleKind[];

/** What bringing a row in would do. */
export interface PlannedRow {
	line: number;
	sale: PastSale | null;
	/** The formula's name where the product is known, else as written. */
	item: string;
	productId: string | null;
	/** Oldest batch first; one part without a batch where none is taken. */
	parts: PastPart[];
	/** packs × price, decimal string. */
	total: string;
	state: 'new' | 'here' | 'alike' | 'without batch' | 'left out' | 'bad';
	problems: RowProblem[];
	/** Its cells as they stand in the file. */
	raw: string;
	/** Why it is left out, or what it is like. */
	why: string;
}

/** A row of a file of past sales as it was read. */
export interface PastSale {
	/** The id it had where it was exported; null where it has none. */
	id: string | null;
	soldOn: string;
	kind: (typeof PAST_KINDS)[number];
	channel: string;
	/** As written, for looking the product up. */
	product: string;
	/** Code of the batch; empty where the row names none. */
	batch: string;
	packs: number;
	price: string;
	paidBy: PaidBy | null;
	customer: string;
	reason: string;
}

/** What is wrong with a row, and in which column. */
export interface RowProblem {
	column: string;
	message: string;
}

/** A part of a past sale: packs of one batch, or of none that is known. */
export interface PastPart {
	packs: number;
	batch: { id: string; code: string } | null;
}

/** What may be taken of a file: only what is new is ticked unless somebody says otherwise. */
export const TAKEABLE: readonly PlannedRow['state'][] = ['new', 'alike', 'without batch'];
