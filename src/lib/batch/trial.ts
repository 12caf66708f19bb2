import type { Per, TargetFigure } from '$core/reformulate/wish.ts';

/** What of a trial will move with its make-up, and so has to be weighed. */
export const TRIAL_ASKS = ['loss', 'water'] as const;
export type TrialAsk = (typeof TRIAL_ASKS)[number];

/** A figure a trial was planned for: what it is of the formula now, and what it was worked out to be. */
export interface Promised {
	figure: TargetFigure;
	per: Per;
	now: number | null;
	promised: number | null;
}

/** What a trial batch is tried for. */
export interface Trial {
	reason: string;
	asks: TrialAsk[];
	promised: Promised[];
}
