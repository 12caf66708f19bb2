import type { Database } from '../../db/connection.ts';
import { inTransaction } from '../../db/transaction.ts';
import { today } from '../../kitchens.ts';
import type { Kitchen } from '../../../kitchen/types.ts';
import { newId, utcNow } from '../../rows.ts';
import { keepSale } from '../keep.ts';
import { planRows } from './plan.ts';
import type { PlannedRow } from '../../../sales/past.ts';
import { readPastSales, type DayOrder } from './read.ts';
import type { PastSale } from '../../../sales/past.ts';

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
	return planRows(db, kitchen.id, readPastSales(text, order, channel, today(kitchen)), fromBatches);
}

/** Writes the chosen rows, all or none; how many, and what they come to. Throws `Refused`. */
export async function importPastSales(
	db: Database,
	kitchen: Kitchen,
	text: string,
	options: PastOptions,
	lines: ReadonlySet<number>
): Promise<{ rows: number; packs: number }> {
	return inTransaction(db, async (transaction) => {
		const done = { rows: 0, packs: 0 };
		for (const row of await previewPastSales(transaction, kitchen, text, options)) {
			if (!lines.has(row.line) || (row.state !== 'new' && row.state !== 'alike') || !row.sale) continue;
			await keepRow(transaction, kitchen.id, row, row.sale);
			done.rows += 1;
			done.packs += row.sale.packs;
		}
		return done;
	});
}

/** Parts of a row are one customer's; the first keeps the id the row came with. */
async function keepRow(db: Database, kitchenId: string, row: PlannedRow, sale: PastSale): Promise<void> {
	const first = sale.id ?? newId();
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
