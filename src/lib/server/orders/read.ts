import { parseDate } from '@internationalized/date';
import { Decimal } from 'decimal.js';
import type { Order, OrderLine, OrderState, PaidAhead } from '../../orders/types.ts';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { NotFound } from '../errors.ts';
import { listProducts } from '../products.ts';
import { groupBy, toMoney } from '../rows.ts';

/** Packs of a product that are asked for on a day at a place. */
export interface OrderedPacks {
	day: string;
	place: string;
	productId: string;
	packs: number;
}

/** So many days ahead orders that repeat are reckoned with. */
const DAYS_AHEAD = 14;
/** So many that are done are shown. */
const MOST_DONE = 60;

/** Orders that are still to be fetched, those of a day that has passed too, the nearest first. */
export async function openOrders(db: Database, kitchenId: string): Promise<Order[]> {
	const rows = await db('orders')
		.where({ kitchen_id: kitchenId, state: 'open' })
		.orderBy(['fetched_on', 'place', 'id']);
	return ordersOf(db, kitchenId, rows);
}

/** Orders that were fetched or cancelled, the newest first. */
export async function doneOrders(db: Database, kitchenId: string): Promise<Order[]> {
	const rows = await db('orders')
		.where('kitchen_id', kitchenId)
		.whereNot('state', 'open')
		.orderBy([
			{ column: 'updated_at', order: 'desc' },
			{ column: 'id', order: 'desc' }
		])
		.limit(MOST_DONE);
	return ordersOf(db, kitchenId, rows);
}

/** One order. Throws `NotFound`. */
export async function getOrder(db: Database, kitchenId: string, id: string): Promise<Order> {
	const rows = await db('orders').where({ kitchen_id: kitchenId, id });
	const [order] = await ordersOf(db, kitchenId, rows);
	if (!order) throw new NotFound('this order is not here');
	return order;
}

async function ordersOf(db: Database, kitchenId: string, rows: readonly RowOf<'orders'>[]): Promise<Order[]> {
	const ids = rows.map(({ id }) => id);
	if (ids.length === 0) return [];
	const [lines, products, changes] = await Promise.all([
		db('order_lines').where('kitchen_id', kitchenId).whereIn('order_id', ids).orderBy('position'),
		listProducts(db, kitchenId),
		db('order_changes as c')
			.leftJoin('deeds as e', 'e.id', 'c.deed_id')
			.leftJoin('memberships as m', 'm.id', 'e.membership_id')
			.where('c.kitchen_id', kitchenId)
			.whereIn('c.order_id', ids)
			.orderBy('c.id')
			.select<{ order_id: string; what: string; changed_at: string; name: string | null }[]>(
				'c.order_id',
				'c.what',
				'c.changed_at',
				'm.name'
			)
	]);
	const named = new Map(products.map((product) => [product.id, product]));
	const linesBy = groupBy(lines, (line) => line.order_id);
	const changesBy = groupBy(changes, (change) => change.order_id);
	return rows.map((row) => {
		const of = (linesBy.get(row.id) ?? []).map((line): OrderLine => {
			const product = named.get(line.product_id);
			return {
				productId: line.product_id,
				name: product?.name ?? '',
				packPieces: product?.packPieces ?? 0,
				packs: line.packs,
				price: toMoney(line.price)
			};
		});
		return {
			id: row.id,
			version: row.version,
			customer: row.customer,
			fetchedOn: row.fetched_on,
			place: row.place,
			note: row.note,
			state: row.state as OrderState,
			paidBy: row.paid_by as PaidAhead | null,
			paidOn: row.paid_on,
			weekly: row.series_id !== null,
			lines: of,
			total: of
				.reduce((sum, { packs, price }) => sum.plus(new Decimal(price).times(packs)), new Decimal(0))
				.toFixed(2),
			history: (changesBy.get(row.id) ?? []).map(({ what, changed_at, name }) => ({
				at: changed_at,
				what,
				by: name ?? ''
			}))
		};
	});
}

/**
 * Packs that are ordered from a day on, by day, place and product; orders that repeat are reckoned with on the coming
 * weeks too. Nobody's name is read.
 */
export async function orderedPacks(db: Database, kitchenId: string, from: string): Promise<OrderedPacks[]> {
	const rows = await db('orders as o')
		.join('order_lines as l', 'l.order_id', 'o.id')
		.where({ 'o.kitchen_id': kitchenId, 'o.state': 'open' })
		.where('o.fetched_on', '>=', from)
		.select<
			{ fetched_on: string; place: string; series_id: string | null; product_id: string; packs: number }[]
		>('o.fetched_on', 'o.place', 'o.series_id', 'l.product_id', 'l.packs');
	const until = parseDate(from).add({ days: DAYS_AHEAD }).toString();
	return rows.flatMap(({ fetched_on, place, series_id, product_id, packs }) => {
		const all: OrderedPacks[] = [];
		for (
			let day = parseDate(fetched_on);
			all.length === 0 || (series_id !== null && day.toString() <= until);
			day = day.add({ weeks: 1 })
		)
			all.push({ day: day.toString(), place, productId: product_id, packs });
		return all;
	});
}
