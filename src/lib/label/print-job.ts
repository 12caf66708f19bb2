/** More labels of a file than this are drawn as long work, whichever process has time. */
export const AT_ONCE_COPIES = 200;
/** More are not drawn into one file. */
export const MOST_COPIES = 5000;

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
