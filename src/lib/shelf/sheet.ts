/** What is open of an ingredient, as one row of the sheet where many are confirmed and priced at once. */
export interface SheetRow {
	id: string;
	version: number;
	name: string;
	/** As typed: `wheat, milk`, or `none`. */
	allergens: string;
	/** What confirmed them; empty while nobody has. */
	evidence: string;
	/** The price in force, for reading; empty where there is none. */
	price: string;
}

/** What a person types in a row; a price only where one was typed. */
export interface SheetRowDraft extends SheetRow {
	amount: string;
	grams: string;
	/** Of the price that is sent: sent twice, it is one. */
	key: string;
}
