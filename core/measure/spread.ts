import { mean } from './round.ts';

/** The standard deviation of a sample, s with n − 1 below; null of fewer than two values. */
export function standardDeviation(values: readonly number[]): number | null {
	const middle = mean(values);
	if (middle === null || values.length < 2) return null;
	return Math.sqrt(values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / (values.length - 1));
}

/** A spread that several groups share, and on how many degrees of freedom it rests. */
export interface PooledSpread {
	sd: number;
	degrees: number;
}

/** The spread within groups whose means may differ: √(Σ(nᵢ − 1)·sᵢ² ÷ Σ(nᵢ − 1)); null where none has two values. */
export function pooledSpread(groups: readonly (readonly number[])[]): PooledSpread | null {
	let [squares, degrees] = [0, 0];
	for (const group of groups) {
		const spread = standardDeviation(group);
		if (spread === null) continue;
		squares += (group.length - 1) * spread * spread;
		degrees += group.length - 1;
	}
	return degrees === 0 ? null : { sd: Math.sqrt(squares / degrees), degrees };
}
