import type { Choices, Step } from '$core/formula/process.ts';
import type { Line, MixGap } from '$core/formula/types.ts';
import type { FormulaDraft } from './draft.ts';
import type { Product, ProductInput } from './product.ts';

/** What a formula's line carries beside its grams: how it was said, and what may go in. */
export interface LineWords {
	said: string;
	note: string;
	/** Range of what was said, where it gave one. */
	low_g: number | null;
	high_g: number | null;
	/** Planned and what is kept back together; null where nothing is kept back. */
	most_g: number | null;
	/** No amount is named: the batch weighs it. */
	toWeigh: boolean;
}

export type FormulaLine = Line & LineWords;

/** What a version is made of. */
export interface FormulaContent {
	mixGap: MixGap;
	/** Id of its family; empty for none. */
	family: string;
	choices: Choices;
	steps: Step[];
	lines: FormulaLine[];
}

/** A version that was kept: it never changes again. */
export interface FormulaVersion extends FormulaContent {
	id: string;
	number: number;
	keptAt: string;
	batches: number;
	/** Why it was kept, where it was reformulated; otherwise empty. */
	reason: string;
}

/** A formula at its newest kept version, with what is being typed and the products made of it. */
export interface Formula extends FormulaContent {
	id: string;
	name: string;
	/** Record version, for telling a stale save. */
	version: number;
	/** Newest kept version; empty and 0 while there is only a draft. */
	versionId: string;
	number: number;
	archived: boolean;
	draft: FormulaDraft | null;
	products: Product[];
}

/** A formula as it is kept; what a line does not say about its words is empty. */
export interface FormulaInput {
	name: string;
	mixGap: MixGap;
	family?: string;
	choices?: Choices;
	steps?: Step[];
	lines: (Line & Partial<LineWords>)[];
	product: ProductInput;
	/** The product that is changed; null adds one. */
	productId: string | null;
}
