import { mean } from '$core/measure/round.ts';
import { standardDeviation } from '$core/measure/spread.ts';
import { expectedCookLoss, HISTORY_BATCHES } from '$core/plan.ts';
import { groupBy } from '../rows.ts';
import type { Batch } from './types.ts';

/** Whether the batch was made to its end: one on the bench says nothing of how they go yet. */
export const isMade = (batch: Pick<Batch, 'recorded' | 'packsMade' | 'closed'>): boolean =>
	batch.recorded && (batch.packsMade > 0 || batch.closed.length > 0);

/** Whether the batch was made and no stage of it is off. */
export function squares(batch: Pick<Batch, 'recorded' | 'packsMade' | 'closed' | 'closings'>): boolean {
	return isMade(batch) && batch.closings.every((closing) => closing.state !== 'off');
}

/** Cook loss to expect of each formula from its newest batches that square, by formula id. */
export function cookLossHistory(batchesNewestFirst: readonly Batch[]): Map<string, number> {
	const history = new Map<string, number>();
	for (const [formulaId, batches] of groupBy(batchesNewestFirst, (batch) => batch.formulaId)) {
		const losses = batches.filter(squares).flatMap((batch) => batch.facts?.yield.cookLoss ?? []);
		const expected = expectedCookLoss(losses);
		if (expected !== null) history.set(formulaId, expected);
	}
	return history;
}

/** Fewer batches than this say nothing of a spread. */
const LEAST_FOR_SPREAD = 4;

/** What a formula's mixes that squared lost between what went in and the dough; null without enough of them. */
export function usualMixGap(batchesNewestFirst: readonly Batch[]): { mean_g: number; sd_g: number } | null {
	const gaps = batchesNewestFirst
		.filter(squares)
		.flatMap(({ facts, doughWeight_g }) =>
			facts && doughWeight_g !== null ? facts.yield.doughMass_g - doughWeight_g : []
		);
	const [mean_g, sd_g] = [mean(gaps), standardDeviation(gaps)];
	return gaps.length < LEAST_FOR_SPREAD || mean_g === null || sd_g === null ? null : { mean_g, sd_g };
}

/**
 * Share of what is weighed in that a formula's newest batches brought to sellable balls: residue,
 * leftover and rejects are what is missing. Null without any.
 */
export function usualYield(batchesNewestFirst: readonly Batch[]): number | null {
	const yields = batchesNewestFirst
		.filter(squares)
		.flatMap(({ facts }) =>
			facts ? (facts.yield.sellable * facts.yield.ballWeight_g) / facts.yield.doughMass_g : []
		);
	return mean(yields.slice(0, HISTORY_BATCHES));
}

/** Least and most hydration really used in a formula's newest batches; null without any. */
export function hydrationHistory(
	batchesNewestFirst: readonly Batch[]
): { low: number; high: number; batches: number } | null {
	const used = batchesNewestFirst
		.filter(isMade)
		.slice(0, HISTORY_BATCHES)
		.flatMap((batch) => batch.facts?.formula.hydration ?? []);
	return used.length === 0 ? null : { low: Math.min(...used), high: Math.max(...used), batches: used.length };
}
