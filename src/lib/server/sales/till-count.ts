import type { TillCount } from '../../sales/till-count.ts';
import { Decimal } from 'decimal.js';
import type { Kitchen } from '../../kitchen/types.ts';
import type { Database } from '../db/connection.ts';
import { insertOnce } from '../db/once.ts';
import type { RowOf } from '../db/tables.ts';
import { inTransaction } from '../db/transaction.ts';
import { today } from '../kitchens.ts';
import { toMoney, utcNow } from '../rows.ts';
import { ALL } from './ledger.ts';
import { ledgerSplit } from './totals.ts';

/** What was found in the till; the sales it is held against are read when it is kept. */
export interface CountedTill {
	id: string;
	channel: string;
	changeBrought: string;
	cash: string;
	card: string;
	note: string;
}

/** What a day's sales at a place come to in cash and by card, decimal strings. */
export async function tillSold(
	db: Database,
	kitchenId: string,
	day: string,
	channel: string
): Promise<{ cash: string; card: string }> {
	const split = await ledgerSplit(db, kitchenId, { ...ALL, from: day, to: day, channel }, 'paid');
	const of = (paid: string) => split.find((group) => group.key === paid)?.money ?? '0.00';
	return { cash: of('cash'), card: of('card') };
}

/** Keeps a count of today's till beside what was sold by then. A later count stands beside it. */
export async function countTill(db: Database, kitchen: Kitchen, count: CountedTill): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const day = today(kitchen);
		const sold = await tillSold(transaction, kitchen.id, day, count.channel);
		await insertOnce(transaction, 'till_counts', {
			id: count.id,
			kitchen_id: kitchen.id,
			counted_on: day,
			channel: count.channel,
			change_brought: count.changeBrought,
			cash: count.cash,
			card: count.card,
			cash_sold: sold.cash,
			card_sold: sold.card,
			note: count.note,
			created_at: utcNow()
		});
	});
}

/** The counts of a day, newest first. */
export async function tillCounts(db: Database, kitchenId: string, day: string): Promise<TillCount[]> {
	const rows = await db('till_counts')
		.where({ kitchen_id: kitchenId, counted_on: day })
		.orderBy('id', 'desc');
	return rows.map(fromRow);
}

function fromRow(row: RowOf<'till_counts'>): TillCount {
	const money = (value: string) => new Decimal(toMoney(value)).toFixed(2);
	return {
		id: row.id,
		channel: row.channel,
		changeBrought: money(row.change_brought),
		cash: money(row.cash),
		card: money(row.card),
		cashSold: money(row.cash_sold),
		cardSold: money(row.card_sold),
		note: row.note,
		at: row.created_at
	};
}
