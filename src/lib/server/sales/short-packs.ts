import { remaining } from '../../sales/short-packs.ts';
import type { Database } from '../db/connection.ts';
import { refuse } from '../errors.ts';
import { groupBy } from '../rows.ts';

/** The short packs of batches that are left, by batch: how many pieces are in each. */
export async function shortPacksLeft(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, number[]>> {
	const made = await db('batch_events as e')
		.leftJoin('batch_events as v', 'v.voids_id', 'e.id')
		.where({ 'e.kitchen_id': kitchenId, 'e.name': 'short pack' })
		.whereIn('e.batch_id', batchIds)
		.whereNull('v.id')
		.orderBy('e.id')
		.select<{ batch_id: string; data: string }[]>('e.batch_id', 'e.data');
	if (made.length === 0) return new Map();
	const gone = await shortPacksGone(db, kitchenId, [...new Set(made.map((row) => row.batch_id))]);
	return new Map(
		[...groupBy(made, (row) => row.batch_id)].map(([id, each]) => [
			id,
			remaining(
				each.map((row) => (JSON.parse(row.data) as { pieces: number }).pieces),
				gone.get(id) ?? []
			)
		])
	);
}

/** The short packs of batches that are gone, by batch: how many pieces were in each. */
async function shortPacksGone(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, number[]>> {
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

/** Refuses short packs that cannot be: more in them than was counted loose, or one taken apart that is gone. */
export async function refuseShortPacks(
	db: Database,
	kitchenId: string,
	batchId: string,
	{ made, loose }: { made: readonly number[]; loose: number | null }
): Promise<void> {
	const inThem = made.reduce((sum, pieces) => sum + pieces, 0);
	if (inThem > (loose ?? 0))
		refuse(
			'loose',
			`${inThem} pieces are in short packs, and ${loose ?? 'none'} were counted loose: take a short pack apart first`
		);
	const missing = remaining((await shortPacksGone(db, kitchenId, [batchId])).get(batchId) ?? [], made)[0];
	if (missing !== undefined)
		refuse('packs', `a short pack of ${missing} is gone already: void its sale first`);
}

/** Refuses a short pack that is not there, and a full one where only short ones are left. */
export async function refuseShort(
	db: Database,
	kitchenId: string,
	batch: { id: string; code: string; left: number },
	{ packs, pieces }: { packs: number; pieces: number | null }
): Promise<void> {
	const short = (await shortPacksLeft(db, kitchenId, [batch.id])).get(batch.id) ?? [];
	if (pieces !== null && !short.includes(pieces))
		refuse('packs', `batch ${batch.code} has no short pack of ${pieces} left`);
	const full = batch.left - short.length;
	if (pieces === null && short.length > 0 && packs > full)
		refuse(
			'packs',
			`batch ${batch.code} has ${full} full ${full === 1 ? 'pack' : 'packs'} left, not ${packs}; ${short.length === 1 ? 'one is short' : `${short.length} are short`}`
		);
}
