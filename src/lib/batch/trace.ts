import type { BatchStock } from '../shelf/lots.ts';
import type { BatchRecord } from './types.ts';

/** A batch that something went into, and where its packs are. */
export interface TracedBatch {
	id: string;
	code: string;
	name: string;
	madeOn: string;
	packPieces: number;
	/** What it drew of the lot; null where that is not known. */
	drawn: number | null;
	/** Number of the label revision printed for it last, or that it was packed under; null where none was approved. */
	labelNumber: number | null;
	packsMade: number;
	/** Given away, tasted at the stall, written off. */
	packsGiven: number;
	packsLeft: number;
	sales: TracedSale[];
}

/** Packs of a batch that went one way on one day, voids and returns taken off. */
export interface TracedSale {
	soldOn: string;
	channel: string;
	/** How they left; a return counts against what was sold. */
	way: 'sold' | 'gift' | 'sample' | 'written off';
	packs: number;
}

/** A reading as it stands in the record, withdrawn and corrected ones too. */
export interface TracedWeighing {
	at: string;
	what: string;
	/** The line's ingredient; empty where it is of no line. */
	of: string;
	grams: number | null;
	by: 'scale' | 'typed';
	isCorrected: boolean;
	lotCode: string;
	/** Who took it; '' where that was not kept yet. */
	who: string;
}

/** What a page shows of everything behind a pack of a batch. Nothing of money or customers is in it. */
export interface Traced {
	batch: Pick<
		BatchRecord,
		'id' | 'code' | 'name' | 'productId' | 'madeOn' | 'beganAt' | 'formulaId' | 'formulaNumber'
	> & { isClosed: boolean; stock: BatchStock[] };
	sold: TracedBatch;
	lots: { id: string; supplier: string; supplierCode: string }[];
	weighings: TracedWeighing[];
	cautions: string[];
	/** What its label said, word for word; null where none was approved. */
	label: { number: number; text: string } | null;
	day: string;
	timeZone: string;
	address: string;
	town: string;
}
