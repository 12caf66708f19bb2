import { standardDeviation } from '../measure/spread.ts';
import { studentT } from '../measure/student.ts';

/** A standard uncertainty, and on how many degrees of freedom it rests: Infinity where it is known. */
export interface Uncertainty {
	standard_g: number;
	degrees: number;
}

/** Student's t at 0.975 where every uncertainty is known. */
export const KNOWN_T = 1.96;
const PROBABILITY = 0.975;
/** From here on t is `KNOWN_T` to its second decimal. */
const MANY_DEGREES = 300;

/** Standard uncertainty of one net reading: the scale's step d gives d/√12, and the tare as much again. */
export function readingUncertainty_g(scaleDivision_g: number): number {
	return (scaleDivision_g / Math.sqrt(12)) * Math.SQRT2;
}

/** The uncertainty of several readings, which the scale's step tells: known. */
export const ofReadings = (scaleDivision_g: number, readings: number): Uncertainty => ({
	standard_g: readingUncertainty_g(scaleDivision_g) * Math.sqrt(readings),
	degrees: Infinity
});

/** Independent terms together: the square root of the sum of squares. */
export function inQuadrature(...terms: number[]): number {
	return Math.sqrt(terms.reduce((sum, term) => sum + term * term, 0));
}

/**
 * The tolerance of a weight: the standard uncertainty of its independent terms together times Student's t at 0.975 for
 * their degrees of freedom by Welch and Satterthwaite, u⁴ ÷ Σ uᵢ⁴/νᵢ, in whole degrees (section 13).
 */
export function tolerance_g(...terms: readonly Uncertainty[]): number {
	const standard_g = inQuadrature(...terms.map((term) => term.standard_g));
	const shares = terms.reduce((sum, term) => sum + term.standard_g ** 4 / term.degrees, 0);
	const degrees = Math.floor(standard_g ** 4 / shares);
	if (!(degrees < MANY_DEGREES)) return KNOWN_T * standard_g;
	return studentT(PROBABILITY, Math.max(1, degrees)) * standard_g;
}

/**
 * Uncertainties of the weight of all n pieces when m were weighed: the spread of the sample carried to the whole,
 * n·s/√m·√((n−m)/n) with m − 1 degrees of freedom, and the scale's own for the m readings (section 13). One weighed
 * piece of several says nothing of the spread: null.
 */
export function ofSampledTotal(
	weights_g: readonly number[],
	n: number,
	scaleDivision_g: number
): Uncertainty[] | null {
	const m = weights_g.length;
	if (m === 0 || (m === 1 && n > 1)) return null;
	const scale = {
		standard_g: (n / m) * ofReadings(scaleDivision_g, m).standard_g,
		degrees: Infinity
	};
	if (n <= 1 || m >= n) return [scale];
	const spread_g = standardDeviation(weights_g) ?? 0;
	const standard_g = ((n * spread_g) / Math.sqrt(m)) * Math.sqrt((n - m) / n);
	return [{ standard_g, degrees: m - 1 }, scale];
}
