/** What a sale needs of a batch that still has packs. */
export interface BatchLeft {
	id: string;
	code: string;
	name: string;
	packPieces: number;
	madeOn: string;
	/** Full ones. */
	packsLeft: number;
	/** How many pieces are in each short one. */
	shortPacks: number[];
	productId: string;
	/** As set at packing or as its label has it; null where neither says. */
	bestBefore: string | null;
	/** What it holds that its label does not say, in words; empty where the label fits. */
	held: string[];
	/** What a pack costs now; where the product has no price any more, what it was planned at. */
	price: string | null;
}
