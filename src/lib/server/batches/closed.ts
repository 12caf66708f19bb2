import type { Facts } from '$core/derive.ts';
import type { Recipe } from '$core/formula/types.ts';
import type { Closing } from '$core/squaring/closings.ts';
import type { Database } from '../db/connection.ts';
import { groupBy, type Row } from '../rows.ts';
import type { Batch, BatchClosing, BatchInput, BatchLine } from './types.ts';

/** Closings of batches by batch id, oldest first. */
export async function closingsOf(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, BatchClosing[]>> {
	const rows = (await db('batch_closings')
		.where('kitchen_id', kitchenId)
		.whereIn('batch_id', [...batchIds])
		.orderBy('number')) as Row[];
	return new Map(
		[...groupBy(rows, (row) => String(row.batch_id))].map(([id, of]) => [id, of.map(closingFromRow)])
	);
}

function closingFromRow(row: Row): BatchClosing {
	return {
		number: Number(row.number),
		reason: String(row.reason),
		closedAt: String(row.closed_at),
		input: JSON.parse(String(row.input)) as BatchInput,
		recipe: JSON.parse(String(row.recipe)) as Recipe,
		facts: JSON.parse(String(row.facts)) as Facts,
		stages: JSON.parse(String(row.stages)) as Closing[]
	};
}

/** Whether every stage of a batch squares. */
export const squaresWhole = (stages: readonly Closing[]): boolean =>
	stages.every((closing) => closing.state === 'squares');

/** What a closed batch stands at: the figures, lines and facts of its newest closing. */
export function standingAt(
	closing: BatchClosing,
	lines: readonly BatchLine[]
): Pick<
	Batch,
	| 'ballWeight_g'
	| 'ballCount'
	| 'rejects'
	| 'sellable'
	| 'packs'
	| 'loose'
	| 'servingPieces'
	| 'note'
	| 'doughWeight_g'
	| 'leftover_g'
	| 'ballWeights_g'
	| 'finishedWeights_g'
	| 'lines'
	| 'facts'
	| 'problems'
	| 'closings'
	| 'recipe'
> {
	const { input } = closing;
	const said = new Map(input.lines.map((line) => [line.id, line]));
	return {
		ballWeight_g: input.ballWeight_g,
		ballCount: input.ballCount,
		rejects: input.rejects,
		sellable: input.sellable ?? null,
		packs: input.packs ?? null,
		loose: input.loose ?? null,
		servingPieces: input.servingPieces,
		note: input.note,
		doughWeight_g: input.doughWeight_g,
		leftover_g: input.leftover_g,
		ballWeights_g: input.ballWeights_g,
		finishedWeights_g: input.finishedWeights_g,
		lines: lines.map((line) => ({
			...line,
			weighed_g: said.get(line.id)?.grams ?? line.weighed_g,
			weighedUptake_g: said.get(line.id)?.uptake_g ?? line.weighedUptake_g
		})),
		facts: closing.facts,
		problems: [],
		closings: closing.stages,
		recipe: closing.recipe
	};
}
