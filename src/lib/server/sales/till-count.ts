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
		.leftJoin('orders as o', 'o.id', 's.order_id')
		.whereIn('s.paid_by', ['cash', 'card'])
		// What was paid ahead is in the till of the day it was paid.
		.where((of) => void of.whereNull('o.paid_on').orWhere('o.paid_on', day))
		.groupBy('s.channel')
		.select<Record<'channel' | 'cash' | 'card', string>[]>(
			's.channel',
			db.raw("COALESCE(SUM(IF(s.paid_by = 'cash', s.total, 0)), 0) AS cash"),
			db.raw("COALESCE(SUM(IF(s.paid_by = 'card', s.total, 0)), 0) AS card")
		);
	const ahead = await db('orders as o')
		.join('order_lines as l', (on) => on.on('l.kitchen_id', 'o.kitchen_id').on('l.order_id', 'o.id'))
		.where({ 'o.kitchen_id': kitchenId, 'o.paid_on': day })
		.whereNot('o.state', 'cancelled')
		// Fetched on the same day it is among the sales already.
		.whereNotExists(
			db('sales as s')
				.where({ 's.kitchen_id': kitchenId, 's.sold_on': day })
				.whereRaw('s.order_id = o.id')
				.where('s.kind', 'sale')
				.select('s.id')
		)
		.groupBy('o.place')
		.select<Record<'channel' | 'cash' | 'card', string>[]>(
			'o.place as channel',
			db.raw("COALESCE(SUM(IF(o.paid_by = 'cash', l.packs * l.price, 0)), 0) AS cash"),
			db.raw("COALESCE(SUM(IF(o.paid_by = 'card', l.packs * l.price, 0)), 0) AS card")
		);
	const sums = new Map<string, { cash: Decimal; card: Decimal }>();
	for (const { channel, cash, card } of [...rows, ...ahead]) {
		const known = sums.get(channel) ?? { cash: new Decimal(0), card: new Decimal(0) };
		sums.set(channel, { cash: known.cash.plus(cash), card: known.card.plus(card) });
	}
	return new Map(
		[...sums].map(([channel, { cash, card }]) => [channel, { cash: cash.toFixed(2), card: card.toFixed(2) }])
	);
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
