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
