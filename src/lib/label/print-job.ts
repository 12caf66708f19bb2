/** What was printed or taken of a product's labels. */
export interface KeptPrintJob {
	id: string;
	revision: number;
	/** Code of the batch it was for; null for none. */
	batchCode: string | null;
	copies: number;
	/** Labels that came out. */
	printed: number;
	/** A file is printed elsewhere: what came out of that nobody here knows. */
	wentTo: 'label printer' | 'file';
	createdAt: string;
}
