import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { refuse } from '../errors.ts';
import { groupBy, newId, type Row } from '../rows.ts';

/** Ids of the equipment each of these batches touched, by batch id. */
export function equipmentOf(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, string[]>> {
	return known(db, kitchenId, `touched ${batchIds.join()}`, () => readEquipmentOf(db, kitchenId, batchIds));
}

async function readEquipmentOf(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, string[]>> {
	const rows = await db('batch_equipment')
		.where('kitchen_id', kitchenId)
		.whereIn('batch_id', [...batchIds])
		.orderBy('equipment_id');
	return new Map(
		[...groupBy(rows, (row) => row.batch_id)].map(([id, of]) => [id, of.map((row) => row.equipment_id)])
	);
}

/** Sets what a batch touched. Refuses what is not the kitchen's. */
export async function setEquipment(
	db: Database,
	kitchenId: string,
	batchId: string,
	equipment: readonly string[]
): Promise<void> {
	const known = await db('equipment')
		.where('kitchen_id', kitchenId)
		.whereIn('id', [...equipment])
		.select('id');
	if (known.length !== new Set(equipment).size) refuse('equipment', 'choose among the kitchen’s equipment');
	await db('batch_equipment').where({ kitchen_id: kitchenId, batch_id: batchId }).delete();
	if (equipment.length === 0) return;
	await db('batch_equipment').insert(
		[...new Set(equipment)].map((id) => ({
			id: newId(),
			kitchen_id: kitchenId,
			batch_id: batchId,
			equipment_id: id
		}))
	);
}

/**
 * What a new batch of a product is taken to touch until somebody says otherwise: what its newest batch
 * did, or everything in use, so that nothing shared is overlooked.
 */
export async function usualEquipment(db: Database, kitchenId: string, productId: string): Promise<string[]> {
	const newest = await db('batches as b')
		.join('batch_equipment as e', 'e.batch_id', 'b.id')
		.join('equipment as q', 'q.id', 'e.equipment_id')
		.where({ 'b.kitchen_id': kitchenId, 'b.product_id': productId })
		.whereNull('q.retired_at')
		.orderBy([
			{ column: 'b.made_on', order: 'desc' },
			{ column: 'b.id', order: 'desc' }
		])
		.select<Row[]>('b.id as batch_id', 'e.equipment_id');
	const [first] = newest;
	if (first) return newest.filter((row) => row.batch_id === first.batch_id).map((row) => row.equipment_id);
	const all = await db('equipment').where('kitchen_id', kitchenId).whereNull('retired_at').select('id');
	return all.map((row) => row.id);
}
