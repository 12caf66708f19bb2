import type { Facts } from '../facts.ts';
import { doughMass_g, isDough, type Recipe } from '../formula/types.ts';
import type { ClosingFigures } from '../squaring/closings.ts';
import type { StockUse } from '../stock/use.ts';
import type { BatchMeasured } from './batch.ts';

/** What a batch's recipe does not hold of what its stages close on. */
export interface CountedApart extends Pick<BatchMeasured, 'leftover_g' | 'sellable' | 'packs' | 'loose'> {
	/** Dough lines that nobody weighed. */
	unweighedLines: number;
	/** What lots are kept of; empty where none are. */
	stock: readonly StockUse[];
}

/** What the stages of a batch close on (computation, section 13). */
export function closingFigures(
	{ measured, product, formula }: Recipe,
	facts: Facts | null,
	counted: CountedApart,
	scaleDivision_g: number
): ClosingFigures {
	return {
		...counted,
		doughMass_g: doughMass_g(formula.lines),
		mixGap: formula.mixGap,
		doughLines: formula.lines.filter(isDough).length,
		doughWeight_g: measured.doughWeight_g,
		ballCount: measured.balls,
		ballWeights_g: measured.ballWeights_g,
		finishedWeights_g: measured.finishedWeights_g,
		cookLoss: facts?.yield.cookLoss ?? null,
		finishedMoisture: facts?.yield.finishedMoisture ?? null,
		rejects: measured.rejects,
		packPieces: product.packPieces ?? 1,
		scaleDivision_g
	};
}
