/** What a story’s kitchen was made with: its rows by the names of the story. */
export interface Laid {
	/** Ids on the shelf by the setting’s. */
	ingredients: ReadonlyMap<string, string>;
	equipment: ReadonlyMap<string, string>;
	productId: string;
	batchId: string;
}
