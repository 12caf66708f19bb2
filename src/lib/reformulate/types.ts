import type { Windows } from '$core/formula/families.ts';
import type { Ingredient, Recipe } from '$core/formula/types.ts';
import type { Per, TargetFigure } from '$core/reformulate/wish.ts';
import type { Assumptions } from '$core/sure/assumptions.ts';

/** A formula as it is reformulated: its kept version, and all a wish of it goes by. */
export interface ReformulateBasis {
	formulaId: string;
	name: string;
	/** Record version, for telling a stale save; and the newest version's number. */
	version: number;
	number: number;
	productId: string;
	/** Null where nothing can be worked out; then `problem` says why. */
	recipe: Recipe | null;
	problem: string;
	/** Whether the loss was weighed in batches of it; otherwise the figures are a preview. */
	isWeighed: boolean;
	given: Assumptions;
	/** The family's usual windows; null where it has none, or a mix hides what they are of. */
	windows: Windows | null;
	family: string;
	/** What may take the place of an ingredient. */
	shelf: Ingredient[];
	step_g: number;
	/** Pieces a whole batch makes. */
	pieces: number;
}

/** A line as it becomes: by its place in the version. */
export interface NewLine {
	ingredient: string;
	grams: number;
}

/** A figure to be set beside the outcome of a trial. */
export interface FigureOf {
	figure: TargetFigure;
	per: Per;
}
