import { Decimal } from 'decimal.js';
import { mean, settled } from '../measure/round.ts';
import { standardDeviation } from '../measure/spread.ts';
import { studentT } from '../measure/student.ts';

const CONFIDENCE = 0.95;

/** What may be declared of a pack, and what is given away by it. */
export interface Recommendation {
	/** Mean net weight of a pack. */
	meanPack_g: number;
	/** 95 % lower bound of that mean. */
	lowerBound_g: number;
	/** The largest whole gram not above the lower bound. */
	declared_g: number;
	/** What a mean pack holds above what it declares. */
	giveaway_g: number;
}

/** One-sided 95 % lower bound of a mean; null of fewer than two values, which say nothing of the spread. */
function lowerBound(values: readonly number[]): number | null {
	const [middle, spread] = [mean(values), standardDeviation(values)];
	if (middle === null || spread === null) return null;
	return middle - (studentT(CONFIDENCE, values.length - 1) * spread) / Math.sqrt(values.length);
}

/**
 * The declaration that weighed packs bear out (section 12); null of fewer than two weighings or where
 * not even one gram holds.
 */
export function recommendFromPacks(packs_g: readonly number[]): Recommendation | null {
	const [meanPack_g, lowerBound_g] = [mean(packs_g), lowerBound(packs_g)];
	if (meanPack_g === null || lowerBound_g === null) return null;
	const declared_g = Math.floor(settled(lowerBound_g));
	if (declared_g < 1) return null;
	return { meanPack_g, lowerBound_g, declared_g, giveaway_g: meanPack_g - declared_g };
}

/** The same from weighed pieces, `pieces` of which go into a pack. */
export function recommendFromPieces(
	finishedWeights_g: readonly number[],
	pieces: number
): Recommendation | null {
	// The mean pack is as many mean pieces, and its bound as many times theirs.
	return recommendFromPacks(finishedWeights_g.map((weight_g) => weight_g * pieces));
}

/** What the smallest ball weight is worked out from. */
export interface BallWeightInput {
	declared_g: number;
	/** Pieces in a pack. */
	pieces: number;
	/** What surface materials add to one piece. */
	uptake_g: number;
	/** Standard deviation of ball weights, and how many were weighed. */
	ballSpread_g: number;
	ballsWeighed: number;
	/** Cook losses of past batches, as fractions. */
	cookLosses: readonly number[];
}

/** What a pack of balls of one weight comes to. */
export interface ExpectedPack {
	mean_g: number;
	/** 95 % lower bound of that mean. */
	lowerBound_g: number;
}

/**
 * A pack of balls of `ball_g`: pieces · (ball + uptake) · (1 − loss). The spread of the balls and of the
 * loss carry to its mean independently, and the degrees of freedom are those of the smaller sample. Null
 * where fewer than two balls or losses are known.
 */
export function expectedPack(
	ball_g: number,
	input: Omit<BallWeightInput, 'declared_g'>
): ExpectedPack | null {
	const { pieces, uptake_g, ballSpread_g, ballsWeighed, cookLosses } = input;
	const [loss, lossSpread] = [mean(cookLosses), standardDeviation(cookLosses)];
	if (loss === null || lossSpread === null || ballsWeighed < 2) return null;
	const t = studentT(CONFIDENCE, Math.min(ballsWeighed, cookLosses.length) - 1);
	const raw_g = ball_g + uptake_g;
	const uncertainty_g = Math.hypot(
		((1 - loss) * ballSpread_g) / Math.sqrt(ballsWeighed),
		(raw_g * lossSpread) / Math.sqrt(cookLosses.length)
	);
	return {
		mean_g: pieces * raw_g * (1 - loss),
		lowerBound_g: pieces * (raw_g * (1 - loss) - t * uncertainty_g)
	};
}

const MOST_BALL_G = 5000;

/**
 * The smallest whole gram at which balls make packs whose mean is, with 95 % confidence, not below what
 * is declared. Null where fewer than two balls or losses are known, or no ball weight would do.
 */
export function recommendBallWeight_g(input: BallWeightInput): number | null {
	for (let ball_g = 1; ball_g <= MOST_BALL_G; ball_g++) {
		const pack = expectedPack(ball_g, input);
		if (!pack) return null;
		if (settled(pack.lowerBound_g) >= settled(input.declared_g)) return ball_g;
	}
	return null;
}

/**
 * What giving `giveaway_g` away costs in 100 packs, to the cent: it is dough that is given away, so the ingredients
 * of a pack count, as many times `perPiece` as there are pieces in it, and never the bag.
 */
export function giveawayPer100Packs(
	giveaway_g: number,
	meanPack_g: number,
	perPiece: string,
	pieces: number
): string {
	return new Decimal(perPiece).times(pieces).times(giveaway_g).div(meanPack_g).times(100).toFixed(2);
}
