import { encodeTime } from 'ulid';
import type { Database } from '../../db/connection.ts';
import { madeOnce } from '../../db/once.ts';
import { today } from '../../kitchens.ts';
import type { Kitchen } from '../../../kitchen/types.ts';
import { newId, utcNow } from '../../rows.ts';
import { keepSale } from '../keep.ts';
import { planRows } from './plan.ts';
import { TAKEABLE, type PastSale, type PlannedRow } from '../../../sales/past.ts';
import { readFileRows } from '../../workers/read-files.ts';
import type { DayOrder } from './read.ts';

/** How a file is to be read. */
export interface PastOptions {
	order: DayOrder;
	/** Where, for rows that do not say. */
	channel: string;
	/** Whether rows that name no batch draw from those that have packs left. */
	fromBatches: boolean;
}

/** What a file of past sales would do, row by row; nothing is written. Refuses a file that is none. */
export async function previewPastSales(
	db: Database,
	kitchen: Kitchen,
	text: string,
	{ order, channel, fromBatches }: PastOptions
): Promise<PlannedRow[]> {
	return planRows(
		db,
		kitchen.id,
		await readFileRows('past sales', text, order, channel, today(kitchen)),
		fromBatches
	);
}

/**
 * Writes the chosen rows, all or none; how many, and what they come to. A row without an id gets one out of `key` and
 * its line, so that a file sent twice is brought in once. `goOn` is asked between rows: it may throw. Throws `Refused`.
 */
export async function importPastSales(
	db: Database,
	kitchen: Kitchen,
	text: string,
	options: PastOptions,
	lines: ReadonlySet<number>,
	key = newId(),
	goOn: (rows: number) => void = () => {}
): Promise<{ rows: number; packs: number }> {
	const done = { rows: 0, packs: 0 };
	await madeOnce(db, { table: 'sales', kitchenId: kitchen.id, id: key }, async (transaction) => {
		await transaction('kitchens').where('id', kitchen.id).forUpdate().first('id');
		Object.assign(done, { rows: 0, packs: 0 });
		for (const row of await previewPastSales(transaction, kitchen, text, options)) {
			if (!lines.has(row.line) || !TAKEABLE.includes(row.state) || !row.sale) continue;
			await keepRow(transaction, kitchen.id, row, {
				...row.sale,
				id: row.sale.id ?? idOfLine(key, row.line)
			});
			done.rows += 1;
			done.packs += row.sale.packs;
			goOn(done.rows);
		}
	});
	return done;
}

/** Digits of a line of a file in an id. */
const LINE_DIGITS = 4;

/** The id of a line of a file that was brought in by a key: the key, its end the line. */
const idOfLine = (key: string, line: number): string =>
	key.slice(0, -LINE_DIGITS) + encodeTime(line, LINE_DIGITS);

/** Parts of a row are one customer's; the first keeps the id the row came with. */
async function keepRow(
	db: Database,
	kitchenId: string,
	row: PlannedRow,
	sale: PastSale & { id: string }
): Promise<void> {
	const first = sale.id;
	for (const [index, { packs, batch }] of row.parts.entries()) {
		const id = index === 0 ? first : newId();
		if (batch)
			await keepSale(db, kitchenId, {
				...sale,
				id,
				packs,
				batchId: batch.id,
				checkoutId: first,
				ofId: null,
				thrownAway: false
			});
		else await keepWithoutBatch(db, kitchenId, { ...sale, id, packs }, first, row);
	}
}

async function keepWithoutBatch(
	db: Database,
	kitchenId: string,
	sale: PastSale & { id: string },
	checkoutId: string,
	{ item, productId }: PlannedRow
): Promise<void> {
	await db('sales').insert({
		id: sale.id,
		kitchen_id: kitchenId,
		batch_id: null,
		item,
		product_id: productId,
		kind: sale.kind,
		is_given: sale.kind !== 'sale',
		sold_on: sale.soldOn,
		channel: sale.channel,
		packs: sale.packs,
		price: sale.price,
		paid_by: sale.paidBy,
		checkout_id: checkoutId,
		customer: sale.customer,
		reason: sale.reason,
		created_at: utcNow()
	});
}
