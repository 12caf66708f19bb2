import type { Notice, Problem } from '../problem.ts';
import { settled } from '../measure/round.ts';
import { percent, type MassFlow } from './massflow.ts';

const g = (value: number) => `${Math.round(value * 10) / 10} g`;

/** Water of one piece before and after cooking, in grams; null where it cannot be known. */
export interface PieceWater {
	/** In ball and uptake as they went on the plate. */
	raw_g: number | null;
	/** Left in the finished piece. */
	left_g: number | null;
	/** Fraction of the finished weight. */
	finishedMoisture: number | null;
}

/**
 * The water of one piece. Everything a piece loses on the plate is water, so what is left is the
 * raw water less the loss (section 4). A loss larger than the water there was is a problem that
 * names both.
 */
export function pieceWater(flow: MassFlow, raw_g: number | null): { water: PieceWater; problems: Problem[] } {
	const problems: Problem[] = [];
	const finished = flow.finishedWeight_g;
	if (raw_g !== null && settled(raw_g) < 0)
		problems.push({
			path: 'batch.doughWeight_g',
			message: `the dough lost ${g(flow.doughMass_g - flow.doughWeight_g)} to evaporation, more than the water it held; weigh it again`
		});
	if (raw_g === null || finished === null)
		return { water: { raw_g, left_g: null, finishedMoisture: null }, problems };
	const loss = flow.ballWeight_g + flow.uptakePerPiece_g - finished;
	const left_g = settled(raw_g - loss);
	if (left_g < 0 && problems.length === 0)
		problems.push({
			path: 'batch.finishedWeights_g',
			message: `a finished weight of ${g(finished)} means ${g(loss)} of water cooked off, but a piece held only ${g(raw_g)}; weigh the pieces again`
		});
	return { water: { raw_g, left_g, finishedMoisture: left_g / finished }, problems };
}

/** A finished moisture outside 20–48 % is unlikely and said (section 4). */
export function moistureNotices(water: PieceWater): Notice[] {
	const moisture = water.finishedMoisture;
	if (moisture === null || (settled(moisture) >= 0.2 && settled(moisture) <= 0.48)) return [];
	return [
		{
			code: 'moisture-window',
			message: `the finished pieces would be ${percent(moisture)} water; 20 to 48 % is usual`,
			ingredient: null
		}
	];
}
