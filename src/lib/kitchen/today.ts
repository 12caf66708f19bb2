/** Something that wants looking at. */
export interface Attention {
	/** It can hurt somebody, or says what is not true: it comes first and is marked. */
	grave: boolean;
	href: string;
	what: string;
	why: string;
}

/** A step of a kitchen that begins, in the order of the work. */
export interface FirstStep {
	words: string;
	href: string;
	done: boolean;
}
