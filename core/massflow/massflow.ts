import type { MixGap } from '../formula/types.ts';
import { mean, settled } from '../measure/round.ts';
import { ballsFrom, packsFrom } from './balls.ts';
import type { Notice, Problem } from '../problem.ts';

/**
 * What was weighed and counted. `undefined` was not given; `null` was given but cannot be read, so
 * that what depends on it is left alone while everything else is still checked.
 */
export interface MassInput {
	/** Σ grams of the dough lines. */
	doughMass_g: number | null;
	/** Σ uptake of the surface lines, whole batch. */
	uptake_g: number | null;
	doughWeight_g?: number | null;
	ballWeight_g?: number | null;
	/** Number of balls divided. */
	count?: number | null;
	ballWeights_g?: number[] | null;
	finishedWeights_g?: number[] | null;
	rejects?: number | null;
	packPieces?: number | null;
}

/** The flow of mass from what was weighed in to packs (computation, section 4). */
export interface MassFlow {
	doughMass_g: number;
	doughWeight_g: number;
	pieces: number;
	/** Mean weight of one ball. */
	ballWeight_g: number;
	/** Dough weight less the balls; a little below zero when the balls outweigh the dough within 1 %. */
	leftoverDough_g: number;
	uptake_g: number;
	/** Surface material on or in one piece. */
	uptakePerPiece_g: number;
	/** Mean weight of one finished piece, cooled, as packed; null while none was weighed. */
	finishedWeight_g: number | null;
	/** 1 − finished ÷ (ball + uptake), a fraction, all of it water; null without a finished weight. */
	cookLoss: number | null;
	sellable: number;
	packs: number | null;
	loose: number | null;
	/** Sellable finished grams ÷ grams that went in; null without a finished weight. */
	overallYield: number | null;
}

/** Share by which the balls may outweigh the dough before the batch is impossible as entered. */
const OVERDRAW = 0.01;

const g = (value: number) => `${Math.round(value * 10) / 10} g`;

/**
 * The mass flow of a batch, with every problem found. `flow` is null when something it needs is
 * missing or unreadable; beside a problem it serves only to look for further ones. Grams throughout.
 */
export function massFlow(input: MassInput): { flow: MassFlow | null; problems: Problem[] } {
	const problems: Problem[] = [];
	const problem = (path: string, message: string) => problems.push({ path, message });

	const dough = input.doughWeight_g === undefined ? input.doughMass_g : input.doughWeight_g;
	const sampled = input.ballWeights_g !== undefined;
	const givenBall = sampled ? mean(input.ballWeights_g ?? []) : input.ballWeight_g;

	if (input.doughMass_g !== null && input.doughMass_g <= 0)
		problem('formula.lines', 'the dough lines hold no grams');
	const pieces = pieceCount(dough, givenBall, input.count);
	if (pieces === 0 && dough !== null && dough > 0)
		problem(
			sampled ? 'batch.ballWeights_g' : 'piece.ballWeight_g',
			`one ball of ${g(givenBall ?? 0)} is more than the whole dough, ${g(dough)}`
		);
	const ball = givenBall === undefined && pieces && dough !== null ? dough / pieces : (givenBall ?? null);

	if (pieces && ball !== null && dough !== null && settled(pieces * ball) > settled(dough * (1 + OVERDRAW)))
		problem(
			'piece.count',
			`${pieces} balls of ${g(ball)} are ${g(pieces * ball)}, more than the dough weight of ${g(dough)}; weigh the dough again or count the balls`
		);

	const rejects = input.rejects === undefined ? 0 : input.rejects;
	if (rejects !== null && pieces !== null && rejects > pieces)
		problem('batch.rejects', `${rejects} rejects are more than the ${pieces} pieces made`);

	if (
		!pieces ||
		ball === null ||
		dough === null ||
		rejects === null ||
		input.doughMass_g === null ||
		input.doughMass_g <= 0 ||
		input.uptake_g === null ||
		input.finishedWeights_g === null ||
		input.packPieces === null
	)
		return { flow: null, problems };

	const uptakePerPiece_g = input.uptake_g / pieces;
	const finished = mean(input.finishedWeights_g ?? []);
	const sellable = pieces - rejects;
	const wentIn_g = input.doughMass_g + input.uptake_g;
	const packPieces = input.packPieces;
	return {
		problems,
		flow: {
			doughMass_g: input.doughMass_g,
			doughWeight_g: dough,
			pieces,
			ballWeight_g: ball,
			leftoverDough_g: settled(dough - pieces * ball),
			uptake_g: input.uptake_g,
			uptakePerPiece_g,
			finishedWeight_g: finished,
			cookLoss: finished === null ? null : 1 - finished / (ball + uptakePerPiece_g),
			sellable,
			packs: packPieces === undefined ? null : packsFrom(sellable, packPieces),
			loose: packPieces === undefined ? null : sellable % packPieces,
			overallYield: finished === null ? null : (sellable * finished) / wentIn_g
		}
	};
}

/** Balls divided: as counted, or as many whole ones as the dough gives; null when it cannot be told. */
function pieceCount(
	dough: number | null,
	ball: number | null | undefined,
	count: number | null | undefined
): number | null {
	if (count !== undefined) return count;
	if (dough === null || ball === null || ball === undefined) return null;
	return ballsFrom(dough, ball);
}

/** Widest usual gap of a residue: 2 % of what went in or 15 g, whichever is more (section 13). */
export function residueLimit_g(doughMass_g: number): number {
	return Math.max(0.02 * doughMass_g, 15);
}

/** What is worth knowing about a flow that is possible: an overdrawn dough, an unlikely mix gap or loss. */
export function massNotices(flow: MassFlow, mixGap: MixGap): Notice[] {
	const notices: Notice[] = [];
	const notice = (code: string, message: string) => notices.push({ code, message, ingredient: null });
	const gap = settled(flow.doughMass_g - flow.doughWeight_g);
	if (gap < 0)
		notice(
			'mix-gap',
			`the dough weighs ${g(-gap)} more than what was weighed in; a line may be missing from the record`
		);
	else if (mixGap === 'residue' && gap > settled(residueLimit_g(flow.doughMass_g)))
		notice(
			'mix-gap',
			`${g(gap)} of what was weighed in did not reach the dough; up to ${g(residueLimit_g(flow.doughMass_g))} stays in a bowl`
		);
	if (flow.leftoverDough_g < 0)
		notice(
			'dough-overdrawn',
			`the balls are ${g(-flow.leftoverDough_g)} more than the dough weight, within 1 %`
		);
	if (flow.finishedWeight_g === null)
		notice(
			'no-finished-weight',
			'no finished piece was weighed: weigh some cooled pieces to get the facts per piece'
		);
	if (flow.cookLoss !== null && (settled(flow.cookLoss) < 0.03 || settled(flow.cookLoss) > 0.3))
		notice('cook-loss-window', `the cook loss of ${percent(flow.cookLoss)} is outside the usual 3 to 30 %`);
	return notices;
}

export function percent(fraction: number): string {
	return `${Math.round(fraction * 1000) / 10} %`;
}
