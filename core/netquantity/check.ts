import { mean, settled } from '../measure/round.ts';
import { standardDeviation } from '../measure/spread.ts';
import type { PackRule } from '../rules/ruleset.ts';

/** A sample of packs held against what they declare. */
export interface PackCheck {
	/** Net weight less declared, pack by pack. */
	errors_g: number[];
	meanError_g: number;
	/** Standard deviation of the errors; null of one pack. */
	spread_g: number | null;
	/** How far below zero the mean error may be before the sample proves a shortage; 0 where nothing is granted. */
	sampleLimit_g: number;
	/** How far one pack may be short; null where the rule's table does not reach. */
	allowedShort_g: number | null;
	/** Indices of packs short by more than that. */
	tooShort: number[];
	/** Indices of packs short by more than no pack may be; empty where no such limit is set. */
	farTooShort: number[];
	/** How many packs may be too short in a sample of this size. */
	mayBeTooShort: number;
	meanHolds: boolean;
	packsHold: boolean;
	/** The verdict of the rule: mean and packs both hold. Null where the table does not reach. */
	passes: boolean | null;
	/** The maker's own, stricter test: the mean not below what is declared, without the inspector's allowance. */
	passesOwn: boolean | null;
}

/**
 * Holds net weights of a sample of packs against the declared grams by a rule set's test (computation,
 * section 12). Null of no packs.
 */
export function checkPacks(rule: PackRule, declared_g: number, packs_g: readonly number[]): PackCheck | null {
	const errors_g = packs_g.map((pack_g) => pack_g - declared_g);
	const meanError_g = mean(errors_g);
	if (meanError_g === null) return null;
	const spread_g = standardDeviation(errors_g);
	const allowedShort_g = rule.allowedShort_g(declared_g);
	const sampleLimit_g = rule.sampleLimit_g(spread_g, errors_g.length);
	const mayBeTooShort = rule.mayBeTooShort(errors_g.length);
	const shorterThan = (times: number | null) =>
		errors_g.flatMap((error_g, index) =>
			times !== null && allowedShort_g !== null && settled(-error_g) > settled(times * allowedShort_g)
				? [index]
				: []
		);
	const tooShort = shorterThan(1);
	const farTooShort = shorterThan(rule.neverTimes);
	const packsHold = tooShort.length <= mayBeTooShort && farTooShort.length === 0;
	const meanHolds = !rule.testsMean(errors_g.length) || settled(meanError_g + sampleLimit_g) >= 0;
	const decided = (verdict: boolean) => (allowedShort_g === null ? null : verdict);
	return {
		errors_g,
		meanError_g,
		spread_g,
		sampleLimit_g,
		allowedShort_g,
		tooShort,
		farTooShort,
		mayBeTooShort,
		meanHolds,
		packsHold,
		passes: decided(meanHolds && packsHold),
		passesOwn: decided(settled(meanError_g) >= 0 && packsHold)
	};
}
