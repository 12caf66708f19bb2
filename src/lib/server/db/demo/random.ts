/** Repeatable chance, so that the demo kitchen is the same each time it is loaded. */
export interface Chance {
	/** From 0 to 1. */
	next(): number;
	/** Around a mean with a standard deviation. */
	normal(mean: number, deviation: number): number;
	/** A whole number from `low` to `high`, both included. */
	whole(low: number, high: number): number;
}

/** The 32-bit mulberry generator: small, and even enough for made-up spread. */
export function chance(seed: number): Chance {
	let state = seed;
	const next = () => {
		state = (state + 0x6d2b79f5) | 0;
		let t = Math.imul(state ^ (state >>> 15), 1 | state);
		t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
		return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
	};
	return {
		next,
		normal: (mean, deviation) =>
			mean + deviation * Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
		whole: (low, high) => low + Math.floor(next() * (high - low + 1))
	};
}
