import type { Database } from '../db/connection.ts';
import { toMoney, type Row } from '../rows.ts';
import { batchRows } from './read.ts';

/** What a sale needs of a batch that still has packs. */
export interface BatchLeft {
	id: string;
	code: string;
	name: string;
	packPieces: number;
	madeOn: string;
	packsLeft: number;
	productId: string;
	/** As set at packing or as its label has it; null where neither says. */
	bestBefore: string | null;
	/** What a pack costs now; where the product has no price any more, what it was planned at. */
	price: string | null;
}

/** The batches with packs left, newest first; nothing of them is derived. */
export async function batchesLeft(db: Database, kitchenId: string): Promise<BatchLeft[]> {
	const rows = (await batchRows(db, kitchenId)
		.where('b.packs_left', '>', 0)
		.select(
			db.raw(
				"DATE_ADD(b.made_on, INTERVAL JSON_VALUE(r.content, '$.bestBeforeDays') DAY) AS labelled_best_before"
			)
		)) as Row[];
	const own = await bestBeforeSet(
		db,
		kitchenId,
		rows.map((row) => String(row.id))
	);
	return rows.map((row) => ({
		id: String(row.id),
		code: String(row.code),
		name: String(row.name),
		packPieces: Number(row.pack_pieces),
		madeOn: String(row.made_on),
		packsLeft: Number(row.packs_left),
		productId: String(row.product_id),
		bestBefore:
			own.get(String(row.id)) ??
			(row.labelled_best_before === null ? null : String(row.labelled_best_before).slice(0, 10)),
		price: (row.product_price ?? row.price) === null ? null : toMoney(row.product_price ?? row.price)
	}));
}

/** Best-befores that were set for batches at packing, by batch id. */
async function bestBeforeSet(
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
