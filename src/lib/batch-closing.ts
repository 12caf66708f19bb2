import type { Facts } from '$core/derive.ts';
import type { Recipe } from '$core/formula/types.ts';
import { settled, sumOf } from '$core/measure/round.ts';
import type { ClosingFigures, StockUse } from '$core/squaring/closings.ts';
import type { Batch, BatchLine } from './server/batches/types.ts';
import type { BatchStock } from './server/lots/types.ts';

/** What a batch's recipe does not hold of what its stages close on. */
export interface Counted {
	leftover_g: number | null;
	sellable: number | null;
	packs: number | null;
	loose: number | null;
	/** Dough lines that are still as planned; 0 where every one was weighed. */
	unweighedLines?: number;
	/** What lots are kept of; left out or empty where none are. */
	stock?: readonly StockUse[];
}

/** What is at hand of a lot, for drawing from it. */
export interface AtHand {
	ingredientId: string | null;
	name: string;
	onHand: number;
}

/** What a batch uses of things lots are kept of, as their moves have it. */
export function stockUses(
	stock: readonly BatchStock[],
	lines: readonly Pick<BatchLine, 'ingredient' | 'weighed_g'>[],
	packs: number
): StockUse[] {
	return stock.map(({ ingredientId, name, unit, perPack, from }) => ({
		name,
		unit,
		consumed:
			ingredientId === null
				? packs * perPack
				: settled(
						sumOf(
							lines.filter((line) => line.ingredient === ingredientId),
							(line) => line.weighed_g ?? 0
						)
					),
		drawn: settled(sumOf(from, (lot) => lot.amount))
	}));
}

/** The same once the lots at hand are drawn from for what was consumed since. */
export function stockUsesAtHand(
	stock: readonly BatchStock[],
	lines: readonly Pick<BatchLine, 'ingredient' | 'weighed_g'>[],
	packs: number,
	lots: readonly AtHand[]
): StockUse[] {
	return stockUses(stock, lines, packs).map((use, index) => {
		const { ingredientId, name } = stock[index] as BatchStock;
		const of = lots.filter((lot) => lot.ingredientId === ingredientId && lot.name === name);
		const most = settled(use.drawn + sumOf(of, (lot) => Math.max(0, lot.onHand)));
		return { ...use, drawn: Math.min(use.consumed, most) };
	});
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
		scaleDivision_g,
		stock: counted.stock ?? []
	};
}
