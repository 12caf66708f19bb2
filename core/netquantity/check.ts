import type { RulesName } from '../formula/types.ts';
import { mean, settled } from '../measure/round.ts';
import { standardDeviation } from '../measure/spread.ts';
import { euTolerableError_g, usAllowedShort_g } from './allowed.ts';
import { studentT } from './student.ts';

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
	/** EU/UK: indices of packs short by more than twice that. */
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

/** Packs an inspector takes from a lot (NIST Handbook 133, category A). */
export function usSampleSize(lotPacks: number): number {
	if (lotPacks <= 11) return lotPacks;
	if (lotPacks <= 250) return 12;
	return lotPacks <= 3200 ? 24 : 48;
}

/** The only sample in which one pack may be short by more than is allowed. */
const US_LARGEST_SAMPLE = 48;
const US_CONFIDENCE = 0.975;
/** Share of packs that may be short by more than the tolerable error. */
const EU_MAY_BE_SHORT = 0.025;

/**
 * Holds net weights of a sample of packs against the declared grams: in the United States by NIST
 * Handbook 133, in the EU and UK by the average system (computation, section 12). Null of no packs.
 */
export function checkPacks(
	rules: RulesName,
	declared_g: number,
	packs_g: readonly number[]
): PackCheck | null {
	const errors_g = packs_g.map((pack_g) => pack_g - declared_g);
	const meanError_g = mean(errors_g);
	if (meanError_g === null) return null;
	const spread_g = standardDeviation(errors_g);
	const allowedShort_g = rules === 'us' ? usAllowedShort_g(declared_g) : euTolerableError_g(declared_g);
	const sampleLimit_g = rules === 'us' ? usSampleLimit_g(spread_g, errors_g.length) : 0;
	const mayBeTooShort =
		rules === 'eu'
			? Math.floor(settled(EU_MAY_BE_SHORT * errors_g.length))
			: errors_g.length === US_LARGEST_SAMPLE
				? 1
				: 0;
	const shorterThan = (limit_g: number | null) =>
		errors_g.flatMap((error_g, index) =>
			limit_g !== null && settled(-error_g) > settled(limit_g) ? [index] : []
		);
	const tooShort = shorterThan(allowedShort_g);
	const farTooShort = rules === 'eu' ? shorterThan(allowedShort_g === null ? null : 2 * allowedShort_g) : [];
	const packsHold = tooShort.length <= mayBeTooShort && farTooShort.length === 0;
	const meanHolds = settled(meanError_g + sampleLimit_g) >= 0;
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

/** t(0.975, N − 1) · s / √N, the inspector's allowance for having weighed only a sample. */
function usSampleLimit_g(spread_g: number | null, packs: number): number {
	return spread_g === null ? 0 : (studentT(US_CONFIDENCE, packs - 1) * spread_g) / Math.sqrt(packs);
}
