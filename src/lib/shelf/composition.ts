import type { Composition, SomeValues } from '$core/composition/nutrients.ts';
import type { Intervals } from '$core/rules/pack-label.ts';

/** Where values come from, best first (computation, section 1). */
export const SOURCES = ['laboratory', 'specification', 'pack', 'reference', 'estimate'] as const;

/** A mix's values follow from its own lines. */
export type Source = (typeof SOURCES)[number] | 'mix';

/** One version of an ingredient's composition, with its source. */
export interface StoredComposition {
	id: string;
	ingredientId: string;
	per100g: Composition;
	source: Source;
	sourceNote: string;
	/** Day of the source: when the pack was bought, when the specification was issued. */
	sourceOn: string | null;
	/** Serving of the pack label the values were typed from, and its figures as printed. */
	serving_g: number | null;
	printed: Record<string, string> | null;
	/** What the rounding of a pack label leaves open, per 100 g. */
	intervals: Intervals;
	/** Expanded uncertainty (k = 2) of a laboratory's values, percent of each; null where none was stated. */
	uncertainty_percent: number | null;
	createdAt: string;
}

/** A composition as it is added: what is left out is not known of it. */
export type CompositionInput = Pick<StoredComposition, 'source' | 'sourceNote'> & {
	per100g: SomeValues;
} & Partial<
		Pick<StoredComposition, 'sourceOn' | 'serving_g' | 'printed' | 'intervals' | 'uncertainty_percent'>
	>;
