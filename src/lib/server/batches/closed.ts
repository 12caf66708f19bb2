import { measuredPart } from '$core/bench/batch.ts';
import type { Closing } from '$core/squaring/closings.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { groupBy } from '../rows.ts';
import type { Batch, BatchClosing, BatchLine } from '../../batch/types.ts';
import { closingFromRow } from './rows.ts';

/** Closings of batches by batch id, oldest first. */
export function closingsOf(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, BatchClosing[]>> {
	return known(db, kitchenId, `closings ${batchIds.join()}`, () => readClosingsOf(db, kitchenId, batchIds));
}

async function readClosingsOf(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, BatchClosing[]>> {
	if (batchIds.length === 0) return new Map();
	const rows = await db('batch_closings')
		.where('kitchen_id', kitchenId)
		.whereIn('batch_id', [...batchIds])
		.orderBy('number');
	return new Map([...groupBy(rows, (row) => row.batch_id)].map(([id, of]) => [id, of.map(closingFromRow)]));
}

/** Whether every stage of a batch squares. */
export const squaresWhole = (stages: readonly Closing[]): boolean =>
	stages.every((closing) => closing.state === 'squares');

/** What a closed batch stands at: the figures, lines and facts of its newest closing. */
export function standingAt({ input, facts, stages, recipe }: BatchClosing, lines: readonly BatchLine[]) {
	const said = new Map(input.lines.map((line) => [line.id, line]));
	const { ballWeight_g, servingPieces, note } = input;
	return {
		...measuredPart(input),
		ballWeight_g,
		servingPieces,
		note,
		lines: lines.map((line) => ({
			...line,
			weighed_g: said.get(line.id)?.grams ?? line.weighed_g,
			weighedUptake_g: said.get(line.id)?.uptake_g ?? line.weighedUptake_g
		})),
		facts,
		problems: [],
		closings: stages,
		recipe
	} satisfies Partial<Batch>;
}
