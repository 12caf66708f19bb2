import { cumulativeStdNormalProbability } from 'simple-statistics';
import { actsFor } from './acts.ts';
import type { Assumptions } from './assumptions.ts';
import type { PrintedSure } from './result.ts';

/** The next better source leaves about half of a value's spread: a quarter of its variance. */
const LEFT_OF_VALUE = 0.25;

/**
 * The chance of a figure with everything measured that can be, to first order: what is left is normal about the mean
 * that would be found. For telling at a glance what measuring does not mend; `whatHelps` draws it.
 */
export function bestChance(figure: PrintedSure, given: Assumptions): number {
	const { found, low, high, firstOrderSd } = figure;
	const mended = actsFor(figure, given).reduce((sum, { act, share }) => {
		const isValue = act.kind === 'pack figures' || act.kind === 'analyse';
		return sum + share * (isValue ? 1 - LEFT_OF_VALUE : 1);
	}, 0);
	const sd = firstOrderSd * Math.sqrt(Math.max(0, 1 - mended));
	const below = (bound: number) =>
		sd === 0 ? Number(found.mean <= bound) : cumulativeStdNormalProbability((bound - found.mean) / sd);
	return (high === null ? 1 : below(high)) - (low === null ? 0 : below(low));
}
