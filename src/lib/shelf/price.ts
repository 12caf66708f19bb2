/** What was paid for a pack of an ingredient. */
export interface PricePack {
	id: string;
	ingredientId: string;
	/** Decimal string in the kitchen's currency. */
	amount: string;
	grams: number;
	/** Share that can be used, 0 to 1. */
	usable: number;
	boughtOn: string;
	supplier: string;
}
