import { settled } from '../measure/round.ts';

/** Whole balls of a weight that a dough gives (computation, section 4): 722.4 g in balls of 30.1 g are 24. */
export function ballsFrom(dough_g: number, ballWeight_g: number): number {
	return ballWeight_g > 0 ? Math.floor(settled(dough_g / ballWeight_g)) : 0;
}

/** Full packs that pieces give. */
export const packsFrom = (pieces: number, packPieces: number): number => Math.floor(pieces / packPieces);
