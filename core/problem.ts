/** Something wrong with what was entered, and where: an error as a value. */
export interface Problem {
	/** Place in the document, such as `formula.lines[2].grams`; empty for the whole of it. */
	path: string;
	/** What is wrong and what to do, in plain words. */
	message: string;
}

/** Something worth knowing that does not stop a derivation. */
export interface Notice {
	code: string;
	message: string;
	/** The ingredient it is about, by id; null when it is about the whole. */
	ingredient: string | null;
}

/** A value, or every problem found on the way to it. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };
