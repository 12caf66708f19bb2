import type { ProfitOfBatch } from '../../batch/cost.ts';
import {
	batchProfit,
	feesByBatch,
	sellingDays,
	type DayOfBatch,
	type SellingDay
} from '$core/cost/profit.ts';
import { Money } from '$core/cost/money.ts';
import type { Knex } from 'knex';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { groupBy, type Row } from '../rows.ts';
import { feeOn, listFees } from './fees.ts';
import { wholeCosts } from './whole.ts';

/** A sum is a decimal, so text. */
type DayRow = Pick<RowOf<'sales'>, 'sold_on' | 'channel' | 'batch_id'> &
	Record<'packs' | 'given' | 'money', string>;

/** What left each batch at each place and day, voids and returns taken off; summed by the database. */
async function daysOfBatches(query: Knex.QueryBuilder, db: Database): Promise<DayOfBatch[]> {
	const rows = await query
		.groupBy('s.sold_on', 's.channel', 's.batch_id')
		.orderBy([{ column: 's.sold_on', order: 'desc' }, { column: 's.channel' }])
		.select<DayRow[]>(
			's.sold_on',
			's.channel',
			's.batch_id',
			db.raw('SUM(IF(s.is_given, 0, s.packs)) AS packs'),
			db.raw('SUM(IF(s.is_given, s.packs, 0)) AS given'),
			db.raw('SUM(s.packs * s.price) AS money')
		);
	return rows.map((row) => ({
		// None for a sale from before its batch was kept: nobody knows what it cost.
		batchId: row.batch_id ?? '',
		day: row.sold_on,
		channel: row.channel,
		packs: Number(row.packs),
		given: Number(row.given),
		money: new Money(row.money).toFixed(2)
	}));
}

const entries = (db: Database, kitchenId: string) => db('sales as s').where('s.kitchen_id', kitchenId);

/** Profit of the selling days of a span, the newest first; a day at two places is two. */
export async function profitByDay(
	db: Database,
	kitchen: Kitchen,
	{ from, to }: { from: string; to: string }
): Promise<SellingDay[]> {
	const [sold, fees] = await Promise.all([
		daysOfBatches(entries(db, kitchen.id).whereBetween('s.sold_on', [from, to]), db),
		listFees(db, kitchen.id)
	]);
	const costs = await wholeCosts(db, kitchen, [...new Set(sold.flatMap(({ batchId }) => batchId || []))]);
	return sellingDays(
		sold,
		(batchId) => costs.get(batchId) ?? null,
		(channel, day) => feeOn(fees, channel, day)
	);
}

/** Profit of batches by id. */
export async function profitOfBatches(
	db: Database,
	kitchen: Kitchen,
	batchIds: readonly string[]
): Promise<Map<string, ProfitOfBatch>> {
	const [own, fees, costs] = await Promise.all([
		daysOfBatches(entries(db, kitchen.id).whereIn('s.batch_id', [...batchIds]), db),
		listFees(db, kitchen.id),
		wholeCosts(db, kitchen, batchIds)
	]);
	// What a place takes for a day is shared by everything sold there that day.
	const days = [...new Set(own.map((entry) => entry.day))];
	const all =
		fees.length === 0 ? own : await daysOfBatches(entries(db, kitchen.id).whereIn('s.sold_on', days), db);
	const borne = feesByBatch(all, (channel, day) => feeOn(fees, channel, day));
	const byBatch = groupBy(own, (entry) => entry.batchId);
	return new Map(
		batchIds.map((id) => {
			const of = byBatch.get(id) ?? [];
			const takings = of.reduce((sum, entry) => sum.plus(entry.money), new Money(0));
			const whole = costs.get(id) ?? null;
			return [
				id,
				{
					...batchProfit(takings.toFixed(2), borne.get(id) ?? new Money(0), whole),
					whole,
					sold: of.reduce((sum, entry) => sum + entry.packs, 0),
					given: of.reduce((sum, entry) => sum + entry.given, 0)
				}
			];
		})
	);
}

/** A made batch with its profit, as the list shows it. */
export interface BatchOfProfit extends ProfitOfBatch {
	id: string;
	code: string;
	madeOn: string;
	product: string;
	packsMade: number;
	packsLeft: number;
}

/** The batches made in a span with their profit, the newest first. */
export async function profitByBatch(
	db: Database,
	kitchen: Kitchen,
	{ from, to }: { from: string; to: string }
): Promise<BatchOfProfit[]> {
	const rows = await db('batches as b')
		.join('products as p', 'p.id', 'b.product_id')
		.join('formulas as f', 'f.id', 'p.formula_id')
		.where('b.kitchen_id', kitchen.id)
		.where('b.packs_made', '>', 0)
		.whereBetween('b.made_on', [from, to])
		.orderBy([
			{ column: 'b.made_on', order: 'desc' },
			{ column: 'b.id', order: 'desc' }
		])
		.select<Row[]>('b.id', 'b.code', 'b.made_on', 'b.packs_made', 'b.packs_left', 'b.pack_pieces', 'f.name');
	const profits = await profitOfBatches(
		db,
		kitchen,
		rows.map((row) => row.id)
	);
	return rows.flatMap((row) => {
		const profit = profits.get(row.id);
		return profit
			? [
					{
						...profit,
						id: row.id,
						code: row.code,
						madeOn: row.made_on,
						product: `${row.name} × ${row.pack_pieces}`,
						packsMade: row.packs_made,
						packsLeft: Number(row.packs_left)
					}
				]
			: [];
	});
}
