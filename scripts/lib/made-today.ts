import type { Database } from '../../src/lib/server/db/connection.ts';

/**
 * Dates the oldest batch that has packs to today, and gives its product: on some days of the week all packs of the demo are
 * past their best-before, and rightly not offered.
 */
export async function madeToday(
	db: Database,
	day: string,
	kitchenId: string
): Promise<{ id: string; product_id: string }> {
	const batch = await db('batches')
		.where('kitchen_id', kitchenId)
		.where('packs_left', '>', 0)
		.orderBy(['made_on', 'id'])
		.first('id', 'product_id');
	if (!batch) throw new Error('no batch has packs left');
	await db('batches').where({ kitchen_id: kitchenId, id: batch.id }).update({ made_on: day });
	return batch;
}
