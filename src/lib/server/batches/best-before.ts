import type { Database } from '../db/connection.ts';
import type { Row } from '../rows.ts';

/** Best-befores that were set for batches at packing, by batch id. */
export async function bestBeforesSet(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, string>> {
	const rows = (await db('batch_events as e')
		.leftJoin('batch_events as v', 'v.voids_id', 'e.id')
		.where({ 'e.kitchen_id': kitchenId, 'e.name': 'best before' })
		.whereIn('e.batch_id', [...batchIds])
		.whereNull('v.id')
		.orderBy('e.id')
		.select('e.batch_id', 'e.data')) as Row[];
	// The last one stands; one that says nothing takes the ones before back.
	const days = new Map(
		rows.map((row) => [String(row.batch_id), (JSON.parse(String(row.data)) as { day: string | null }).day])
	);
	return new Map([...days].flatMap(([id, day]) => (day === null ? [] : [[id, day] as const])));
}
