import type { RandomGenerator } from 'pure-rand/types/RandomGenerator';

/** What a task takes by chance, as shares of what is planned of it; alike where it always takes the same. */
export interface Spread {
	/** Planning by the safe time plans more than the median. */
	median: number;
	p90: number;
}

/** The standard normal at its 90th percentile. */
export const Z90 = 1.2815515655446004;

/** Numbers of a standard normal, two from each pair of uniform ones, and uniform ones beside. */
export function unitNormals(generator: RandomGenerator): { next: () => number; uniform: () => number } {
	const uniform = () => ((generator.next() >>> 0) + 0.5) / 2 ** 32;
	let kept: number | null = null;
	const next = () => {
		if (kept !== null) {
			const value = kept;
			kept = null;
			return value;
		}
		const radius = Math.sqrt(-2 * Math.log(uniform()));
		const angle = 2 * Math.PI * uniform();
		kept = radius * Math.sin(angle);
		return radius * Math.cos(angle);
	};
	return { next, uniform };
}

/** What a planned time is multiplied by on a day: lognormal through its median and 90th percentile. */
export function lognormalFactor({ median, p90 }: Spread, normal: number): number {
	if (!(p90 > median)) return median;
	return median * Math.exp((Math.log(p90 / median) / Z90) * normal);
}
