import { Decimal } from 'decimal.js';
import { mean, settled } from '../measure/round.ts';
import { standardDeviation, type PooledSpread } from '../measure/spread.ts';
import { studentT } from '../measure/student.ts';

const CONFIDENCE = 0.95;
/** The same of a normal distribution: of a spread that is assumed. */
const NORMAL = 1.645;

const tOf = (degrees: number) => (degrees === Infinity ? NORMAL : studentT(CONFIDENCE, degrees));

/** What may be declared of a pack, and what is given away by it. */
export interface Recommendation {
	/** Mean net weight of a pack. */
	meanPack_g: number;
	/** What the next batch's mean pack is, with 95 % confidence, not under. */
	lowerBound_g: number;
	/** The largest whole gram not above the lower bound. */
	declared_g: number;
	/** What a mean pack holds above what it declares. */
	giveaway_g: number;
	/** Batches it rests on. */
	batches: number;
	/** Where too few batches say how much one differs from the next: by how much cook loss is taken to, and from what. */
	widened: { sd: number; from: 'family' | 'assumed' } | null;
}

/** So many batches say by themselves how much one differs from the next. */
const LEAST_BATCHES = 3;
/** Two points of cook loss from one batch to the next, where nothing is known. */
const ASSUMED_LOSS_SD = 0.02;

/** What a declaration is worked out from. */
export interface DeclarationInput {
	/** Finished weights of each batch that squared, or of the one on the bench. */
	batches_g: readonly (readonly number[])[];
	/** Pieces in a pack. */
	pieces: number;
	/** What the pieces at hand lost on the plate, as a fraction; null where the balls were not weighed. */
	cookLoss: number | null;
	/** How much cook loss differs between batches of one formula of the family; null where no batches tell. */
	family: PooledSpread | null;
}

function recommendation(
	meanPack_g: number,
	lowerBound_g: number,
	of: Pick<Recommendation, 'batches' | 'widened'>
): Recommendation | null {
	const declared_g = Math.floor(settled(lowerBound_g));
	return declared_g < 1
		? null
		: { meanPack_g, lowerBound_g, declared_g, giveaway_g: meanPack_g - declared_g, ...of };
}

/**
 * What may be declared of the next batch, since each lot is tested by itself (section 12): of n batches the largest
 * whole gram not above mean − t(0.95, n − 1)·s·√(1 + 1/n) of their mean packs. Of one or two, the bound of the pieces at
 * hand, widened by how much batches of the family differ. Null of fewer than two weighed pieces, or where not even one
 * gram holds.
 */
export function recommendDeclaration(input: DeclarationInput): Recommendation | null {
	const weighed = input.batches_g.filter((batch) => batch.length > 0);
	const means_g = weighed.map((batch) => (mean(batch) ?? 0) * input.pieces);
	const n = means_g.length;
	const [middle, spread] = [mean(means_g), standardDeviation(means_g)];
	if (n < LEAST_BATCHES || middle === null || spread === null) return fromPieces(weighed.flat(), n, input);
	const bound_g = middle - studentT(CONFIDENCE, n - 1) * spread * Math.sqrt(1 + 1 / n);
	return recommendation(middle, bound_g, { batches: n, widened: null });
}

function fromPieces(
	pieces_g: readonly number[],
	batches: number,
	{ pieces, cookLoss, family }: DeclarationInput
): Recommendation | null {
	const [middle, spread] = [mean(pieces_g), standardDeviation(pieces_g)];
	if (middle === null || spread === null) return null;
	const own_g = (studentT(CONFIDENCE, pieces_g.length - 1) * spread) / Math.sqrt(pieces_g.length);
	const { sd, degrees } = family ?? { sd: ASSUMED_LOSS_SD, degrees: Infinity };
	// A point of cook loss is a point of what went on the plate, not of what came off it.
	const raw_g = middle / (1 - (cookLoss ?? 0));
	const between_g = tOf(degrees) * raw_g * sd * Math.sqrt(1 + 1 / batches);
	return recommendation(middle * pieces, pieces * (middle - Math.hypot(own_g, between_g)), {
		batches,
		widened: { sd, from: family ? 'family' : 'assumed' }
	});
}

/** What the packs of one lot bear out of themselves: the 95 % lower bound of their mean. Null of fewer than two. */
export function boundOfPacks(
	packs_g: readonly number[]
): Pick<Recommendation, 'meanPack_g' | 'lowerBound_g' | 'declared_g'> | null {
	const [middle, spread] = [mean(packs_g), standardDeviation(packs_g)];
	if (middle === null || spread === null) return null;
	const lowerBound_g =
		middle - (studentT(CONFIDENCE, packs_g.length - 1) * spread) / Math.sqrt(packs_g.length);
	const declared_g = Math.floor(settled(lowerBound_g));
	return declared_g < 1 ? null : { meanPack_g: middle, lowerBound_g, declared_g };
}

/** What a batch's packs are expected by while its balls are made. */
export interface PackInput {
	/** Pieces in a pack. */
	pieces: number;
	/** What surface materials add to one piece. */
	uptake_g: number;
	/** Standard deviation of the batch's ball weights, and how many were weighed. */
	ballSpread_g: number;
	ballsWeighed: number;
	/** Cook losses of past batches, as fractions. */
	cookLosses: readonly number[];
}

/** What the smallest ball weight of the next batch is worked out from. */
export interface BallWeightInput {
	/** Pieces in a pack. */
	pieces: number;
	/** What surface materials add to one piece. */
	uptake_g: number;
	/** By how much the mean ball of each past batch missed the weight aimed at. */
	ballsOff_g: readonly number[];
	/** Cook losses of past batches, as fractions. */
	cookLosses: readonly number[];
}

/** What a pack of balls of one weight comes to. */
export interface ExpectedPack {
	mean_g: number;
	/** What it is, with 95 % confidence, not under. */
	lowerBound_g: number;
}

/** A pack of pieces · (ball + uptake) · (1 − loss), where ball and loss spread independently. */
function packOf(
	ball_g: number,
	{ pieces, uptake_g }: { pieces: number; uptake_g: number },
	loss: number,
	spread: { ball_g: number; loss: number; degrees: number }
): ExpectedPack {
	const raw_g = ball_g + uptake_g;
	const uncertainty_g = Math.hypot((1 - loss) * spread.ball_g, raw_g * spread.loss);
	return {
		mean_g: pieces * raw_g * (1 - loss),
		lowerBound_g: pieces * (raw_g * (1 - loss) - studentT(CONFIDENCE, spread.degrees) * uncertainty_g)
	};
}

/** The spread of what one more batch brings, of those that were: s·√(1 + 1/n); null of fewer than two. */
function ofOneMore(values: readonly number[]): number | null {
	const spread = standardDeviation(values);
	return spread === null ? null : spread * Math.sqrt(1 + 1 / values.length);
}

/**
 * What the packs of this batch come to with balls of `ball_g` on average: its balls are at hand, so the mean of those
 * weighed tells them to s/√m; its loss is one more. The degrees of freedom are those of the smaller sample. Null where
 * fewer than two balls or losses are known.
 */
export function expectedPack(ball_g: number, input: PackInput): ExpectedPack | null {
	const { ballSpread_g, ballsWeighed, cookLosses } = input;
	const [loss, lossSpread] = [mean(cookLosses), ofOneMore(cookLosses)];
	if (loss === null || lossSpread === null || ballsWeighed < 2) return null;
	return packOf(ball_g, input, loss, {
		ball_g: ballSpread_g / Math.sqrt(ballsWeighed),
		loss: lossSpread,
		degrees: Math.min(ballsWeighed, cookLosses.length) - 1
	});
}

/** What the packs of the next batch come to with balls aimed at `ball_g`: its balls and its loss are one more each. */
function nextPack(ball_g: number, input: BallWeightInput): ExpectedPack | null {
	const { ballsOff_g, cookLosses } = input;
	const [loss, lossSpread, ballSpread_g] = [mean(cookLosses), ofOneMore(cookLosses), ofOneMore(ballsOff_g)];
	if (loss === null || lossSpread === null || ballSpread_g === null) return null;
	return packOf(ball_g, input, loss, {
		ball_g: ballSpread_g,
		loss: lossSpread,
		degrees: Math.min(ballsOff_g.length, cookLosses.length) - 1
	});
}

const MOST_BALL_G = 5000;

/** The smallest whole gram of a ball whose packs hold what is declared; null where none does. */
function smallestBall_g(
	declared_g: number,
	packOfBall: (ball_g: number) => ExpectedPack | null
): number | null {
	for (let ball_g = 1; ball_g <= MOST_BALL_G; ball_g++) {
		const pack = packOfBall(ball_g);
		if (!pack) return null;
		if (settled(pack.lowerBound_g) >= settled(declared_g)) return ball_g;
	}
	return null;
}

/**
 * The smallest whole gram at which the next batch's balls make packs that, with 95 % confidence, hold what is declared on
 * average (section 12). Null where fewer than two batches are known, or no ball weight would do.
 */
export const recommendBallWeight_g = (declared_g: number, input: BallWeightInput): number | null =>
	smallestBall_g(declared_g, (ball_g) => nextPack(ball_g, input));

/** The same of the batch whose balls are being made: what its mean ball has to be. */
export const leastBallHere_g = (declared_g: number, input: PackInput): number | null =>
	smallestBall_g(declared_g, (ball_g) => expectedPack(ball_g, input));

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
