import { settled } from '../measure/round.ts';

/** Whole balls of a weight that a dough gives (computation, section 4): 722.4 g in balls of 30.1 g are 24. */
export function ballsFrom(dough_g: number, ballWeight_g: number): number {
	return ballWeight_g > 0 ? Math.floor(settled(dough_g / ballWeight_g)) : 0;
}

/** A ball is weighed to the tenth of a gram. */
const BALL_STEP_G = 0.1;

/** Grams of each ball so that so many come out of a dough: rounded down, for of any more there would be one fewer. */
export function ballWeightFor_g(dough_g: number, balls: number): number {
	return settled(Math.floor(settled(dough_g / balls / BALL_STEP_G)) * BALL_STEP_G);
}

/** Full packs that pieces give. */
export const packsFrom = (pieces: number, packPieces: number): number => Math.floor(pieces / packPieces);
