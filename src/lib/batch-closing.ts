import type { Facts } from '$core/derive.ts';
import type { Recipe } from '$core/formula/types.ts';
import { sumOf } from '$core/measure/round.ts';
import type { ClosingFigures } from '$core/squaring/closings.ts';
import type { Batch } from './server/batches/types.ts';

/** What a batch's recipe does not hold of what its stages close on. */
export interface Counted {
	leftover_g: number | null;
	sellable: number | null;
	packs: number | null;
	loose: number | null;
	/** Dough lines that are still as planned; 0 where every one was weighed. */
	unweighedLines?: number;
}

/** How many dough lines of a batch that is begun were not weighed yet. */
export function unweighedLines({ lines, recorded }: Pick<Batch, 'lines' | 'recorded'>): number {
	if (!recorded) return 0;
	return lines.filter((line) => line.use === 'dough' && line.weighed_g === null).length;
}

/** What the stages of a batch close on, put together for server and page alike. */
export function closingFigures(
	recipe: Recipe,
	facts: Facts | null,
	counted: Counted,
	scaleDivision_g: number
): ClosingFigures {
	const { batch = {}, piece, pack, formula } = recipe;
	const dough = formula.lines.flatMap((line) => (line.use === 'dough' ? line.grams : []));
	return {
		doughMass_g: sumOf(dough, (grams) => grams),
		mixGap: batch.mixGap ?? 'residue',
		doughLines: dough.length,
		unweighedLines: counted.unweighedLines ?? 0,
		doughWeight_g: batch.doughWeight_g ?? null,
		ballCount: piece.count ?? null,
		ballWeights_g: batch.ballWeights_g ?? [],
		leftover_g: counted.leftover_g,
		finishedWeights_g: batch.finishedWeights_g ?? [],
		cookLoss: facts?.yield.cookLoss ?? null,
		finishedMoisture: facts?.yield.finishedMoisture ?? null,
		rejects: batch.rejects ?? 0,
		sellable: counted.sellable,
		packs: counted.packs,
		loose: counted.loose,
		packPieces: pack?.pieces ?? 1,
		scaleDivision_g
	};
}
