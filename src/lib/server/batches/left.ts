import type { BatchLeft } from '../../batch/left.ts';
import type { Database } from '../db/connection.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { shortPacksLeft, shortPacksMade, type WithShortPacks } from '../sales/short-packs.ts';
import { heldBy, heldColumns, heldOf } from '../labels/held.ts';
import { textOrNull, type Row } from '../rows.ts';
import { batchFromRow, batchRows } from './rows.ts';

/** The batches with packs left, newest first; nothing of them is derived. */
export async function batchesLeft(db: Database, kitchen: Kitchen): Promise<BatchLeft[]> {
	const query = batchRows(db, kitchen.id)
		.join('batch_standings as s', 's.batch_id', 'b.id')
		.where('b.packs_left', '>', 0)
		.select<(Row & WithShortPacks)[]>(
			...heldColumns(db),
			shortPacksMade(db),
			db.raw(
				`COALESCE(
					JSON_VALUE(s.standing, '$.bestBefore'),
					DATE_ADD(b.made_on, INTERVAL JSON_VALUE(r.content, '$.bestBeforeDays') DAY)
				) AS best_before`
			)
		);
	const [rows, by] = await Promise.all([query, heldBy(db, kitchen)]);
	const short = await shortPacksLeft(
		db,
		kitchen.id,
		new Map(rows.map((row) => [row.id, row.short_packs ?? []]))
	);
	return rows.map((row) => {
		const { id, code, name, packPieces, madeOn, packsLeft, productId, productPrice, price } =
			batchFromRow(row);
		return {
			id,
			code,
			name,
			packPieces,
			madeOn,
			packsLeft: packsLeft - (short.get(id)?.length ?? 0),
			shortPacks: short.get(id) ?? [],
			productId,
			bestBefore: textOrNull(row.best_before)?.slice(0, 10) ?? null,
			held: heldOf(row, by),
			price: productPrice ?? price
		};
	});
}
