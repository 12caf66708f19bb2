/** A stream of numbers from 0 to 1 that is the same each time for its words: a seed, and what it is for. */
export function chanceOf(seed: number, what: string): () => number {
	let state = seed >>> 0;
	for (const letter of what) state = (Math.imul(state, 31) + letter.charCodeAt(0)) >>> 0;
	return () => {
		state = (state + 0x6d2b79f5) >>> 0;
		let mixed = Math.imul(state ^ (state >>> 15), state | 1);
		mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
		return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
	};
}

/** Normally spread, cut off at three spreads: a hand slips only where the story says so. */
export function near(chance: () => number, mean: number, spread: number): number {
	const wide = Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
	return mean + spread * Math.max(-3, Math.min(3, wide));
}

/** One of several. */
export function oneOf<T>(chance: () => number, of: readonly T[]): T {
	const one = of[Math.min(of.length - 1, Math.floor(chance() * of.length))];
	if (one === undefined) throw new Error('nothing to choose from');
	return one;
}
