/** A row of an imported shelf: what it would do, or why it cannot. */
export interface ShelfRow {
	/** Line of the file, counted as a text editor counts; entry number of a JSON list. */
	line: number;
	name: string;
	state: 'new' | 'changed' | 'same' | 'bad';
	/** What is wrong, each with its column. */
	problems: { column: string; message: string }[];
	/** What it would change of an ingredient that is there. */
	changes: string[];
}
