import type { Kind } from '$core/composition/kinds.ts';
import type { MixLine } from '$core/formula/mix.ts';
import type { Part } from '$core/formula/types.ts';
import type { MeasureWeight } from '$core/measure/convert.ts';
import type { CompositionInput, StoredComposition } from './composition.ts';

/** Grams of one household measure of an ingredient. */
export interface StoredMeasure extends MeasureWeight {
	measure: string;
	basis: MeasureBasis;
	/** The maker's own readings, where they weighed it. */
	readings: number[];
}

/** An ingredient on the shelf. */
export interface ShelfIngredient {
	id: string;
	name: string;
	kind: Kind;
	labelUs: string;
	labelEu: string;
	parts: Part[];
	/** Tags as noted; they count once somebody has confirmed them. */
	allergens: string[];
	/** Which of these come from a highly refined oil. */
	refined: string[];
	/** Tags that its pack says it may contain. */
	mayContain: string[];
	confirmedOn: string | null;
	evidence: string;
	version: number;
	composition: StoredComposition;
	/** The shipped row it began as, which says what else it is called; null when it began from nothing. */
	referenceId: string | null;
	/** Lines of a mix of the maker's own; null for what is bought. */
	mix: MixLine[] | null;
	/** What goes into one jar of a mix. */
	portion_g: number | null;
	measures: StoredMeasure[];
}

/** What a person may change of an ingredient. */
export interface IngredientInput extends CompositionInput {
	name: string;
	kind: Kind;
	labelUs: string;
	labelEu: string;
	parts: Part[];
	allergens: string[];
	refined?: string[];
	mayContain?: string[];
	/** The day the allergens were confirmed; null while they are not. */
	confirmedOn: string | null;
	evidence: string;
	referenceId?: string | null;
	/** Lines of a mix, whose composition, parts and allergens then follow from them. */
	mix?: MixLine[] | null;
	portion_g?: number | null;
}

/** How a measure's weight is known, surest last. */
export type MeasureBasis = 'reference' | 'typed' | 'weighed';
