import { mean } from '$core/measure/round.ts';
import { pooledSpread, standardDeviation, type PooledSpread } from '$core/measure/spread.ts';
import { expectedCookLoss, HISTORY_BATCHES } from '$core/plan.ts';
import type { BatchSummary, TellingBatch } from '../../batch/summary.ts';
import type { Batch } from '../../batch/types.ts';
import { groupBy } from '../rows.ts';

type Made = Pick<BatchSummary, 'packsMade' | 'isClosed' | 'standing'> & { isTrial?: boolean };

/** Whether the batch was made to its end: one on the bench says nothing of how they go yet. */
export const isMade = ({ packsMade, isClosed, standing }: Made): boolean =>
	isClosed || (standing.recorded && packsMade > 0);

/** The same of a batch that was read whole. */
export const wasMade = ({
	packsMade,
	closed,
	recorded
}: Pick<Batch, 'packsMade' | 'closed' | 'recorded'>): boolean =>
	closed.length > 0 || (recorded && packsMade > 0);

/** Whether the batch was made by its version and no stage of it is off: a trial of other lines says nothing of it. */
export function squares(batch: Made): boolean {
	return (
		!batch.isTrial && isMade(batch) && batch.standing.closings.every((closing) => closing.state !== 'off')
	);
}

/** Whether pieces were weighed on the bench and nothing found is off so far: it may be shown before it is packed. */
const wasWeighed = ({ standing }: Made): boolean =>
	standing.finishedWeights_g.length > 0 &&
	standing.cookLoss !== null &&
	standing.closings.every((closing) => closing.state !== 'off');

/** Whether a batch may say how its formula goes, now or once no other does. */
export const mayTell = (batch: Made): boolean => isMade(batch) || wasWeighed(batch);

/**
 * The batches that say how a formula goes, newest first: those that square. While there is none, the one on the bench
 * whose pieces were weighed: a first batch has its label before its packs are closed.
 */
export function telling<B extends Made>(newestFirst: readonly B[]): B[] {
	const square = newestFirst.filter(squares);
	if (square.length > 0) return square;
	return newestFirst.filter((batch) => !batch.isTrial && !isMade(batch) && wasWeighed(batch)).slice(0, 1);
}

/** What the batches that tell it took of lines by feel, newest first. */
export const byFeelOf = (newestFirst: readonly TellingBatch[]) =>
	telling(newestFirst).map(({ standing }) => standing.byFeel);

/** How much cook loss differs from one batch of a formula to the next; null where no formula has two that square. */
export function lossSpread(batches: readonly TellingBatch[]): PooledSpread | null {
	const byFormula = groupBy(batches.filter(squares), (batch) => batch.formulaId);
	return pooledSpread(
		[...byFormula.values()].map((of) => of.flatMap(({ standing }) => standing.cookLoss ?? []))
	);
}

/** By how much the mean ball of each batch missed the weight that was aimed at. */
export const ballsOff_g = (batches: readonly TellingBatch[]): number[] =>
	batches.flatMap(({ ballWeight_g, standing }) => {
		const ball_g = mean(standing.ballWeights_g);
		return ball_g === null ? [] : ball_g - ballWeight_g;
	});

/** The batches cooked as this one: the oven takes other water than the griddle. */
export const cookedAs = (
	newestFirst: readonly TellingBatch[],
	{ cooking }: Pick<BatchSummary, 'cooking'>
): TellingBatch[] => newestFirst.filter((batch) => batch.cooking === cooking);

/** Cook loss to expect of each formula from its newest batches that tell it, by formula id. */
export function cookLossHistory(newestFirst: readonly TellingBatch[]): Map<string, number> {
	const history = new Map<string, number>();
	for (const [formulaId, batches] of groupBy(newestFirst, (batch) => batch.formulaId)) {
		const losses = telling(batches).flatMap(({ standing }) => standing.cookLoss ?? []);
		const expected = expectedCookLoss(losses);
		if (expected !== null) history.set(formulaId, expected);
	}
	return history;
}

/** Fewer batches than this say nothing of a spread. */
const LEAST_FOR_SPREAD = 4;

/** What a formula's mixes that squared lost between what went in and the dough; null without enough of them. */
export function usualMixGap(newestFirst: readonly TellingBatch[]): { mean_g: number; sd_g: number } | null {
	const gaps = newestFirst
		.filter(squares)
		.flatMap(({ standing: { doughMass_g, doughWeight_g } }) =>
			doughMass_g !== null && doughWeight_g !== null ? doughMass_g - doughWeight_g : []
		);
	const [mean_g, sd_g] = [mean(gaps), standardDeviation(gaps)];
	return gaps.length < LEAST_FOR_SPREAD || mean_g === null || sd_g === null ? null : { mean_g, sd_g };
}

/**
 * Share of what is weighed in that a formula's newest batches brought to sellable balls: residue,
 * leftover and rejects are what is missing. Null without any.
 */
export function usualYield(newestFirst: readonly TellingBatch[]): number | null {
	const yields = newestFirst
		.filter(squares)
		.flatMap(({ standing: { sellable, ballWeight_g, doughMass_g } }) =>
			sellable !== null && ballWeight_g !== null && doughMass_g ? (sellable * ballWeight_g) / doughMass_g : []
		);
	return mean(yields.slice(0, HISTORY_BATCHES));
}

/** Least and most hydration really used in a formula's newest batches; null without any. */
export function hydrationHistory(
	newestFirst: readonly TellingBatch[]
): { low: number; high: number; batches: number } | null {
	const used = newestFirst
		.filter(isMade)
		.slice(0, HISTORY_BATCHES)
		.flatMap(({ standing }) => standing.hydration ?? []);
	return used.length === 0 ? null : { low: Math.min(...used), high: Math.max(...used), batches: used.length };
}
