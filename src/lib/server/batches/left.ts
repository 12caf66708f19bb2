import type { Database } from '../db/connection.ts';
import { toMoney, type Row } from '../rows.ts';
import { bestBeforesSet } from './best-before.ts';
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
	const own = await bestBeforesSet(
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
