import { mean, settled } from '../measure/round.ts';
import { standardDeviation } from '../measure/spread.ts';
import { studentT } from '../measure/student.ts';

/** Cook loss as it comes, fractions. */
export interface LossSoFar {
	loss: number;
	/** Two-sided 95 % range of the mean loss; null of one piece, which says nothing of the spread. */
	low: number | null;
	high: number | null;
	pieces: number;
}

const TWO_SIDED = 0.975;

/**
 * Cook loss from the finished weights so far, and the range it likely lies in (section 4: L = 1 − c/(b+s)).
 * `raw_g` is a mean ball with what is on it. Null of no piece.
 */
export function lossSoFar(finished_g: readonly number[], raw_g: number): LossSoFar | null {
	const middle = mean(finished_g);
	if (middle === null || raw_g <= 0) return null;
	const loss = 1 - middle / raw_g;
	const spread = standardDeviation(finished_g);
	if (spread === null) return { loss, low: null, high: null, pieces: finished_g.length };
	const n = finished_g.length;
	const half = (studentT(TWO_SIDED, n - 1) * spread) / Math.sqrt(n) / raw_g;
	return { loss, low: loss - half, high: loss + half, pieces: n };
}

/** Whether what is left of the water can be (section 4): below 0 it cannot, outside 20–48 % it is unlikely. */
export type MoistureVerdict = 'impossible' | 'dry' | 'plausible' | 'wet';

const DRY = 0.2;
const WET = 0.48;

/** `moisture` is the water left of a finished piece, a fraction. */
export function moistureVerdict(moisture: number): MoistureVerdict {
	const share = settled(moisture);
	if (share < 0) return 'impossible';
	if (share < DRY) return 'dry';
	return share > WET ? 'wet' : 'plausible';
}
