import type { Nutrient } from '../composition/nutrients.ts';
import type { ShareKey } from '../formula/shares.ts';
import type { Windows } from '../formula/families.ts';

/** What a target is of, where it is of the product: a serving as printed, one piece, or 100 g of it. */
export const PERS = ['serving', 'piece', '100g'] as const;
export type Per = (typeof PERS)[number];

/** A share of the flour that a formula is judged by, a nutrient, or what the ingredients cost. */
export type TargetFigure = Nutrient | ShareKey | 'cost';

/** A bound on a figure; on what prints, or on the amount as it is. */
export interface Target {
	figure: TargetFigure;
	per: Per;
	atMost: number | null;
	atLeast: number | null;
	as: 'printed' | 'exact';
	/** Narrower than what prints, so that what is found survives: in the unit of the figure that prints. */
	narrowed?: { low: number | null; high: number | null };
}

/** A line that may change, by its position, and between what; the weight is how dear a change of it is. */
export interface FreeLine {
	line: number;
	low_g: number;
	/** Null where only the dough's mass bounds it. */
	high_g: number | null;
	weight?: number;
}

/** What a formula shall become, and what may change for it (computation, section 18). */
export interface Wish {
	free: readonly FreeLine[];
	/** Lines that keep their ratio. */
	together: readonly (readonly number[])[];
	targets: readonly Target[];
	/** Null where the ball stays as it is. */
	ballWeight_g: { low: number; high: number } | null;
	/** What the scale shows. */
	step_g: number;
	/** The family's usual windows that are kept to; null keeps to none. */
	windows: Windows | null;
}
