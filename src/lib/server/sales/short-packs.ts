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
	const gone = await db('sales')
		.where('kitchen_id', kitchenId)
		.whereIn('batch_id', [...new Set(made.map((row) => row.batch_id))])
		.whereNotNull('pieces')
		.groupBy('batch_id', 'pieces')
		.select<{ batch_id: string; pieces: number; packs: string }[]>(
			'batch_id',
			'pieces',
			db.raw('SUM(packs) AS packs')
		);
	return new Map(
		[...groupBy(made, (row) => row.batch_id)].map(([id, each]) => [
			id,
			remaining(
				each.map((row) => (JSON.parse(row.data) as { pieces: number }).pieces),
				gone
					.filter((row) => row.batch_id === id)
					.flatMap((row) => Array.from({ length: Math.max(0, Number(row.packs)) }, () => row.pieces))
			)
		])
	);
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
