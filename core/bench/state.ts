import type { Recipe } from '../formula/types.ts';
import {
	isRecorded,
	lineStanding,
	lineTaken,
	measuredOf,
	packsMade,
	recipeMade,
	type BatchMeasured,
	type LineTaken,
	type PlannedLine
} from './batch.ts';
import type { Bench } from './bench.ts';

/** How an open batch stands by its entries: the same for the page that makes them and the server that keeps them. */
export interface OpenState<L extends PlannedLine> extends BatchMeasured {
	lines: (L & LineTaken)[];
	/** Whether anything was weighed or counted; until then every figure is the plan's. */
	recorded: boolean;
	/** Packs there are to sell, the short ones too. */
	packsMade: number;
	recipe: Recipe;
}

/** An open batch planned as `lines` of `recipe`, with what its entries took of it. */
export function openState<L extends PlannedLine>(
	planned: readonly L[],
	recipe: Recipe,
	bench: Bench
): OpenState<L> {
	const measured = measuredOf(bench);
	const lines = planned.map((line) => ({ ...line, ...lineTaken(line, bench) }));
	return {
		...measured,
		lines,
		recorded: isRecorded(lines, measured),
		packsMade: packsMade(measured, bench),
		recipe: recipeMade(recipe, lines.map(lineStanding), measured)
	};
}
