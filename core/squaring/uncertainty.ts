import { standardDeviation } from '../measure/spread.ts';

/** Standard uncertainty of one net reading: the scale's step d gives d/√12, and the tare as much again. */
export function readingUncertainty_g(scaleDivision_g: number): number {
	return (scaleDivision_g / Math.sqrt(12)) * Math.SQRT2;
}

/** Independent terms together: the square root of the sum of squares. */
export function inQuadrature(...terms: number[]): number {
	return Math.sqrt(terms.reduce((sum, term) => sum + term * term, 0));
}

/**
 * Standard uncertainty of the weight of all n pieces when m were weighed: the spread of the sample
 * carried to the whole, n·s/√m·√((n−m)/(n−1)), and the scale's own for the m readings (section 13).
 * One weighed piece of several says nothing of the spread: null.
 */
export function sampledTotalUncertainty_g(
	weights_g: readonly number[],
	n: number,
	scaleDivision_g: number
): number | null {
	const m = weights_g.length;
	if (m === 0 || (m === 1 && n > 1)) return null;
	const scale = (n / m) * Math.sqrt(m) * readingUncertainty_g(scaleDivision_g);
	if (n <= 1 || m >= n) return scale;
	const spread = standardDeviation(weights_g) ?? 0;
	return inQuadrature(((n * spread) / Math.sqrt(m)) * Math.sqrt((n - m) / (n - 1)), scale);
}
