import { settled } from '../measure/round.ts';

/** A reading as it came in. */
export interface Sample {
	grams: number;
	/** Milliseconds on any clock that only goes forward. */
	at_ms: number;
	/** What the scale says of it; null where it says nothing. */
	steady: boolean | null;
}

/** How long the figure has to stand still where the scale does not say so itself, and how long where it does. */
const HOLD_MS = 1000;
const HOLD_SAID_MS = 400;
const LEAST_SAMPLES = 3;

/** What of the samples may still matter: a little more than the longer hold. */
export function recent(samples: readonly Sample[], now_ms: number): Sample[] {
	return samples.filter((sample) => now_ms - sample.at_ms <= 2 * HOLD_MS);
}

/**
 * The steady reading of the samples, oldest first, or null: the figure stood within one step of the scale
 * for a second, or for less where the scale itself calls it steady. One that calls it unsteady is believed.
 */
export function steadyReading_g(samples: readonly Sample[], division_g: number): number | null {
	const newest = samples.at(-1);
	if (!newest || newest.steady === false) return null;
	const hold_ms = newest.steady === true ? HOLD_SAID_MS : HOLD_MS;
	const held: Sample[] = [];
	for (const sample of samples.toReversed()) {
		if (Math.abs(settled(sample.grams - newest.grams)) > settled(division_g)) break;
		if (newest.steady === true && sample.steady !== true) break;
		held.push(sample);
		if (newest.at_ms - sample.at_ms >= hold_ms) return held.length >= LEAST_SAMPLES ? newest.grams : null;
	}
	return null;
}

/** Whether the next steady load is taken by itself: once for each load. */
export interface AutoTake {
	/** The load the last one was taken at; null before any. */
	takenAt_g: number | null;
	armed: boolean;
}

export const AUTO_START: AutoTake = { takenAt_g: null, armed: true };

/**
 * One reading further: whether to take it. `load_g` is what lies on the scale, `net_g` less the tare,
 * `least_g` what counts as something. After one was taken, the load has to change before the next.
 */
export function autoTake(
	before: AutoTake,
	reading: { load_g: number; net_g: number; steady: boolean },
	least_g: number
): { next: AutoTake; take: boolean } {
	const moved = before.takenAt_g === null || Math.abs(reading.load_g - before.takenAt_g) >= least_g;
	const armed = before.armed || moved;
	if (armed && reading.steady && reading.net_g >= least_g)
		return { next: { takenAt_g: reading.load_g, armed: false }, take: true };
	return { next: { ...before, armed }, take: false };
}
