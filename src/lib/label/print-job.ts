/** What was sent to the label printer for a product. */
export interface KeptPrintJob {
	id: string;
	revision: number;
	/** Code of the batch it was for; null for none. */
	batchCode: string | null;
	copies: number;
	/** Labels that came out. */
	printed: number;
	createdAt: string;
}
