export interface GroupSum extends Sum {
	/** The day, the month, the product and its pack, the channel or the way of paying. */
	key: string;
	name: string;
}

/** Packs and money of some entries; voids and returns taken off. */
export interface Sum {
	/** Sold. */
	packs: number;
	/** Gone without being sold. */
	given: number;
	money: string;
	entries: number;
}
