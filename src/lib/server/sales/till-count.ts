import type { TillCount } from '../../sales/till-count.ts';
import { Decimal } from 'decimal.js';
import type { Kitchen } from '../../kitchen/types.ts';
import type { Database } from '../db/connection.ts';
import { insertOnce } from '../db/once.ts';
import type { RowOf } from '../db/tables.ts';
import { inTransaction } from '../db/transaction.ts';
import { today } from '../kitchens.ts';
import { toMoney, utcNow } from '../rows.ts';
import { ALL, filtered } from './ledger.ts';
import { whoDid } from '../people/deeds.ts';

/** What was found in the till; the sales it is held against are read when it is kept. */
export interface CountedTill {
	id: string;
	channel: string;
	changeBrought: string;
	cash: string;
	card: string;
	note: string;
}

/** What a day's sales come to in cash and by card, decimal strings, by the place they were at. */
export async function tillsSold(
	db: Database,
	kitchenId: string,
	day: string
): Promise<Map<string, { cash: string; card: string }>> {
	const rows = await filtered(db, kitchenId, { ...ALL, from: day, to: day })
		.whereIn('s.paid_by', ['cash', 'card'])
		.groupBy('s.channel')
		.select<Record<'channel' | 'cash' | 'card', string>[]>(
			's.channel',
			db.raw("COALESCE(SUM(IF(s.paid_by = 'cash', s.total, 0)), 0) AS cash"),
			db.raw("COALESCE(SUM(IF(s.paid_by = 'card', s.total, 0)), 0) AS card")
		);
	const exact = (sum: string) => new Decimal(sum).toFixed(2);
	return new Map(rows.map(({ channel, cash, card }) => [channel, { cash: exact(cash), card: exact(card) }]));
}

const NOTHING = { cash: '0.00', card: '0.00' };

/** Keeps a count of today's till beside what was sold by then. A later count stands beside it. */
export async function countTill(db: Database, kitchen: Kitchen, count: CountedTill): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const day = today(kitchen);
		const sold = (await tillsSold(transaction, kitchen.id, day)).get(count.channel) ?? NOTHING;
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
	const by = await whoDid(
		db,
		kitchenId,
		'till_counts',
		rows.map(({ id }) => id)
	);
	return rows.map((row) => fromRow(row, by[row.id] ?? ''));
}

function fromRow(row: RowOf<'till_counts'>, by: string): TillCount {
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
		at: row.created_at,
		by
	};
}
