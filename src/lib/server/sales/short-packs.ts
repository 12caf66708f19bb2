import { remaining, saleProblem } from '$core/bench/short-packs.ts';
import type { Database } from '../db/connection.ts';
import { refuse } from '../errors.ts';
import { groupBy } from '../rows.ts';

/** The short packs of batches that are left of those that were made, by batch: how many pieces are in each. */
export async function shortPacksLeft(
	db: Database,
	kitchenId: string,
	made: ReadonlyMap<string, readonly number[]>
): Promise<Map<string, number[]>> {
	const some = [...made].filter(([, each]) => each.length > 0);
	const gone = await goneOf(
		db,
		kitchenId,
		some.map(([id]) => id)
	);
	return new Map(some.map(([id, each]) => [id, remaining(each, gone.get(id) ?? [])]));
}

/** How many pieces were in each short pack of a batch that is gone. */
export async function shortPacksGone(db: Database, kitchenId: string, batchId: string): Promise<number[]> {
	return (await goneOf(db, kitchenId, [batchId])).get(batchId) ?? [];
}

async function goneOf(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, number[]>> {
	if (batchIds.length === 0) return new Map();
	const rows = await db('sales')
		.where('kitchen_id', kitchenId)
		.whereIn('batch_id', batchIds)
		.whereNotNull('pieces')
		.groupBy('batch_id', 'pieces')
		.select<{ batch_id: string; pieces: number; packs: string }[]>(
			'batch_id',
			'pieces',
			db.raw('SUM(packs) AS packs')
		);
	return new Map(
		[...groupBy(rows, (row) => row.batch_id)].map(([id, each]) => [
			id,
			each.flatMap((row) => Array.from({ length: Math.max(0, Number(row.packs)) }, () => row.pieces))
		])
	);
}

/**
 * The short packs that were made of a batch, as `short_packs` of its noted standing `s`: the database reads the JSON it
 * tells. Null of one that was noted before there were any.
 */
export const shortPacksMade = (db: Database) =>
	db.raw("JSON_QUERY(s.standing, '$.shortPacks') AS short_packs");
export type WithShortPacks = { short_packs: number[] | null };

/** Refuses a short pack that is not there, and a full one where only short ones are left. */
export async function refuseShort(
	db: Database,
	kitchenId: string,
	batch: { id: string; code: string; left: number },
	wanted: { packs: number; pieces: number | null }
): Promise<void> {
	const row = await db('batch_standings as s')
		.where({ 's.kitchen_id': kitchenId, 's.batch_id': batch.id })
		.first<WithShortPacks | undefined>(shortPacksMade(db));
	const made = row?.short_packs ?? [];
	const short = (await shortPacksLeft(db, kitchenId, new Map([[batch.id, made]]))).get(batch.id) ?? [];
	const problem = saleProblem(batch.code, { full: batch.left - short.length, short }, wanted);
	if (problem !== null) refuse('packs', problem);
}
