import { mean } from './round.ts';

/** The standard deviation of a sample, s with n − 1 below; null of fewer than two values. */
export function standardDeviation(values: readonly number[]): number | null {
	const middle = mean(values);
	if (middle === null || values.length < 2) return null;
	return Math.sqrt(values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / (values.length - 1));
}
