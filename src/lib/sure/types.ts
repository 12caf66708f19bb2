import type { Recipe, Use } from '$core/formula/types.ts';
import type { Act } from '$core/sure/acts.ts';
import type { Assumptions } from '$core/sure/assumptions.ts';
import type { SureFigure } from '$core/sure/result.ts';

/** What the question stands at: a formula, a product's label, or a batch. */
export const SURE_OF = ['formula', 'label', 'batch'] as const;
export type SureOf = (typeof SURE_OF)[number];

/** A line in a few words, for naming it. */
export interface NamedLine {
	ingredient: string;
	name: string;
	use: Use;
}

/** All that is needed to say how sure figures are: what they follow from, and what is assumed of it. */
export interface SureSubject {
	of: SureOf;
	id: string;
	name: string;
	/** Where it stands, and where its formula does. */
	href: string;
	formulaHref: string;
	/** Null where nothing can be worked out; then `problem` says why. */
	recipe: Recipe | null;
	problem: string;
	given: Assumptions;
	/** In the order of the recipe's lines. */
	lines: NamedLine[];
	/** What the spread from batch to batch rests on. */
	history: { batches: number; family: boolean };
	/** The kitchen's product its finished packs are of, for a laboratory's reports; null for a formula without one. */
	productId: string | null;
}

/** What a worker found so far. */
export interface SureProgress {
	done: number;
	draws: number;
	figures: SureFigure[];
	/** How often what would be found falls in each of so many equal steps, by figure. */
	bins: Record<string, Bins>;
}

/** Draws counted in equal steps. */
export interface Bins {
	from: number;
	step: number;
	counts: number[];
}

/** What would make one figure surer. */
export interface FigureHelp {
	figure: string;
	/** The chance without doing anything. */
	now: number;
	helps: { act: Act; survives: number }[];
	/** The chance with everything done. */
	atBest: number;
	/** What would have to be printed to survive 95 times in 100; null where that is not for the maker to choose. */
	safe: string | null;
}

/** A figure that may not survive, at a glance. */
export interface UnsureFigure {
	name: string;
	survives: number;
	/** Whether measuring can mend it. */
	mends: boolean;
}

/** A figure survives that does so in this many of 100 times. */
export const SURE_ENOUGH = 0.95;
