import { derive } from './derive.ts';
import type { Facts } from './facts.ts';
import type { Recipe } from './formula/types.ts';
import { mean } from './measure/round.ts';
import type { Outcome } from './problem.ts';

/** Batches whose cook loss stands for what to expect next. */
export const HISTORY_BATCHES = 6;

/** The cook loss to expect: the mean of the newest batches' (section 4); null without any. */
export function expectedCookLoss(lossesNewestFirst: readonly number[]): number | null {
	return mean(lossesNewestFirst.slice(0, HISTORY_BATCHES));
}

/**
 * Facts of a product that is not made yet: where no finished piece was weighed, the finished weight
 * that the expected cook loss gives. Without one the figures by weight stay null rather than guessed.
 */
export function derivePlan(recipe: Recipe, cookLoss: number | null): Outcome<Facts> {
	const planned = derive(recipe);
	if (!planned.ok || cookLoss === null || planned.value.yield.finishedWeight_g !== null) return planned;
	const { ballWeight_g, uptake_g, pieces } = planned.value.yield;
	const finished_g = (ballWeight_g + uptake_g / pieces) * (1 - cookLoss);
	return derive({ ...recipe, measured: { ...recipe.measured, finishedWeights_g: [finished_g] } });
}
