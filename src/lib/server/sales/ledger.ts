import type { Knex } from 'knex';
import { Decimal } from 'decimal.js';
import { ulid } from 'ulid';
import type { Database } from '../db/connection.ts';
import { toMoney, type Row } from '../rows.ts';
import type { PaidBy, SaleKind } from '../../sales/kinds.ts';
import type { Sale } from './types.ts';

/** Which entries of the ledger are looked at; days are included, null is any. */
export interface LedgerFilter {
	from: string | null;
	to: string | null;
	productId: string | null;
	channel: string | null;
	kind: SaleKind | null;
	paidBy: PaidBy | null;
}

export const SORTS = ['newest', 'oldest', 'largest'] as const;
export type Sort = (typeof SORTS)[number];

export const ALL: LedgerFilter = {
	from: null,
	to: null,
	productId: null,
	channel: null,
	kind: null,
	paidBy: null
};

/** The entries of a filter, not yet read. */
function filtered(db: Database, kitchenId: string, filter: LedgerFilter): Knex.QueryBuilder {
	const query = db('sales as s').where('s.kitchen_id', kitchenId);
	if (filter.from) query.where('s.sold_on', '>=', filter.from);
	if (filter.to) query.where('s.sold_on', '<=', filter.to);
	if (filter.channel) query.where('s.channel', filter.channel);
	if (filter.kind) query.where('s.kind', filter.kind);
	if (filter.paidBy) query.where('s.paid_by', filter.paidBy);
	if (filter.productId)
		query
			.join('batches as pb', 'pb.id', 's.batch_id')
			.where({ 'pb.kitchen_id': kitchenId, 'pb.product_id': filter.productId });
	return query;
}

const ORDER: Record<Sort, { column: string; order: 'asc' | 'desc' }[]> = {
	newest: [
		{ column: 's.sold_on', order: 'desc' },
		{ column: 's.id', order: 'desc' }
	],
	oldest: [
		{ column: 's.sold_on', order: 'asc' },
		{ column: 's.id', order: 'asc' }
	],
	largest: [
		{ column: 'total', order: 'desc' },
		{ column: 's.id', order: 'desc' }
	]
};

/** A page of the ledger's entries. */
export async function ledgerPage(
	db: Database,
	kitchenId: string,
	filter: LedgerFilter,
	{ sort = 'newest', offset = 0, most }: { sort?: Sort; offset?: number; most: number }
): Promise<Sale[]> {
	const ids = (await filtered(db, kitchenId, filter)
		.orderBy(ORDER[sort])
		.limit(most)
		.offset(offset)
		.select('s.id', db.raw('s.packs * s.price AS total'))) as Row[];
	return salesById(
		db,
		kitchenId,
		ids.map((row) => String(row.id))
	);
}

/** Every entry of a batch, newest first. */
export async function salesOfBatch(db: Database, kitchenId: string, batchId: string): Promise<Sale[]> {
	const ids = (await db('sales as s')
		.where({ 's.kitchen_id': kitchenId, 's.batch_id': batchId })
		.orderBy(ORDER.newest)
		.pluck('s.id')) as string[];
	return salesById(db, kitchenId, ids);
}

/** Every entry of a filter, oldest first, a thousand at a time. */
export async function* everySale(
	db: Database,
	kitchenId: string,
	filter: LedgerFilter
): AsyncGenerator<Sale> {
	const AT_ONCE = 1000;
	for (let offset = 0; ; offset += AT_ONCE) {
		const page = await ledgerPage(db, kitchenId, filter, { sort: 'oldest', offset, most: AT_ONCE });
		yield* page;
		if (page.length < AT_ONCE) return;
	}
}

/** Entries by id, in the order of the ids. */
async function salesById(db: Database, kitchenId: string, ids: readonly string[]): Promise<Sale[]> {
	if (ids.length === 0) return [];
	const [rows, about] = (await Promise.all([
		db('sales as s')
			.join('batches as b', 'b.id', 's.batch_id')
			.join('products as p', 'p.id', 'b.product_id')
			.join('formulas as f', 'f.id', 'p.formula_id')
			.where('s.kitchen_id', kitchenId)
			.whereIn('s.id', [...ids])
			.select('s.*', 'b.code', 'b.pack_pieces', 'f.name'),
		// Later entries that void or return these.
		db('sales as s')
			.where('s.kitchen_id', kitchenId)
			.where((of) => void of.whereIn('s.voids_id', [...ids]).orWhereIn('s.returns_id', [...ids]))
			.leftJoin('sales as v', 'v.voids_id', 's.id')
			.whereNull('v.id')
			.select('s.kind', 's.voids_id', 's.returns_id', 's.packs')
	])) as [Row[], Row[]];
	const voided = new Set(about.flatMap((row) => (row.voids_id === null ? [] : String(row.voids_id))));
	const returned = new Map<string, number>();
	for (const row of about)
		if (row.kind === 'return') {
			const of = String(row.returns_id);
			returned.set(of, (returned.get(of) ?? 0) - Number(row.packs));
		}
	const byId = new Map(rows.map((row) => [String(row.id), row]));
	return ids.flatMap((id) => {
		const row = byId.get(id);
		return row ? [fromRow(row, voided.has(id), returned.get(id) ?? 0)] : [];
	});
}

const idOrNull = (value: unknown) => (value === null ? null : String(value));

function fromRow(row: Row, voided: boolean, returned: number): Sale {
	return {
		id: String(row.id),
		kind: row.kind as SaleKind,
		batchId: String(row.batch_id),
		batchCode: String(row.code),
		product: String(row.name),
		packPieces: Number(row.pack_pieces),
		soldOn: String(row.sold_on),
		channel: String(row.channel),
		packs: Number(row.packs),
		price: toMoney(row.price),
		total: new Decimal(String(row.price)).times(Number(row.packs)).toFixed(2),
		paidBy: row.paid_by as PaidBy | null,
		checkoutId: idOrNull(row.checkout_id),
		customer: String(row.customer),
		ofId: idOrNull(row.voids_id) ?? idOrNull(row.returns_id),
		voided,
		returned,
		reason: String(row.reason)
	};
}

/** The day of the first entry; null before any. */
export async function firstDay(db: Database, kitchenId: string): Promise<string | null> {
	const row = (await db('sales').where('kitchen_id', kitchenId).orderBy('sold_on').first('sold_on')) as
		Row | undefined;
	return row ? String(row.sold_on) : null;
}

/** Ids of what was kept in the last days, for a device that goes on without the server. */
export async function recentIds(db: Database, kitchenId: string): Promise<string[]> {
	const DAYS = 4;
	// An id begins with the time it was made.
	const oldest = ulid(Date.now() - DAYS * 24 * 3600 * 1000).slice(0, 10);
	return (await db('sales').where('kitchen_id', kitchenId).where('id', '>=', oldest).pluck('id')) as string[];
}

/** Packs and money of some entries; voids and returns taken off. */
export interface Sum {
	/** Sold. */
	packs: number;
	/** Gone without being sold. */
	given: number;
	money: string;
	entries: number;
}

export interface GroupSum extends Sum {
	/** The day, the product's id, the channel or the way of paying. */
	key: string;
	name: string;
}

/** By what a total can be split. */
export type SplitBy = 'day' | 'month' | 'product' | 'channel' | 'paid';

/** Money is summed by the database in decimals: to the cent in whatever order. */
const sums = (db: Database) => [
	db.raw('COALESCE(SUM(IF(s.is_given, 0, s.packs)), 0) AS packs'),
	db.raw('COALESCE(SUM(IF(s.is_given, s.packs, 0)), 0) AS given'),
	db.raw('COALESCE(SUM(s.packs * s.price), 0) AS money'),
	db.raw('COUNT(*) AS entries')
];

const toSum = (row: Row): Sum => ({
	packs: Number(row.packs),
	given: Number(row.given),
	money: new Decimal(String(row.money)).toFixed(2),
	entries: Number(row.entries)
});

/** What the entries of a filter add up to. */
export async function ledgerTotal(db: Database, kitchenId: string, filter: LedgerFilter): Promise<Sum> {
	const row = (await filtered(db, kitchenId, filter).first(sums(db))) as Row;
	return toSum(row);
}

/** The same, split; days and months in their order, the rest by what they brought. */
export async function ledgerSplit(
	db: Database,
	kitchenId: string,
	filter: LedgerFilter,
	by: SplitBy
): Promise<GroupSum[]> {
	if (by === 'product') return productSplit(db, kitchenId, filter);
	const column = {
		day: 's.sold_on',
		month: "DATE_FORMAT(s.sold_on, '%Y-%m')",
		channel: 's.channel',
		paid: "COALESCE(s.paid_by, '')"
	}[by];
	const query = filtered(db, kitchenId, filter)
		.groupByRaw(column)
		.select(db.raw(`${column} AS \`key\``), db.raw(`${column} AS name`));
	query.orderByRaw(by === 'day' || by === 'month' ? '1' : 'money DESC');
	const rows = (await query.select(sums(db))) as Row[];
	return rows.map((row) => ({ ...toSum(row), key: String(row.key), name: String(row.name) }));
}

/** By product: batch by batch first, for there are far fewer of them than entries. */
async function productSplit(db: Database, kitchenId: string, filter: LedgerFilter): Promise<GroupSum[]> {
	const byBatch = filtered(db, kitchenId, filter)
		.groupBy('s.batch_id')
		.select('s.batch_id', ...sums(db))
		.as('t');
	const rows = (await db
		.from(byBatch)
		.join('batches as b', 'b.id', 't.batch_id')
		.join('products as p', 'p.id', 'b.product_id')
		.join('formulas as f', 'f.id', 'p.formula_id')
		.groupBy('p.id', 'f.name', 'b.pack_pieces')
		.orderBy('money', 'desc')
		.select('p.id as key', db.raw("CONCAT(f.name, ' × ', b.pack_pieces) AS name"))
		.sum({ packs: 't.packs', given: 't.given', money: 't.money', entries: 't.entries' })) as Row[];
	return rows.map((row) => ({ ...toSum(row), key: String(row.key), name: String(row.name) }));
}

/** Ways packs were sold by, those used last first. */
export async function channelsUsed(db: Database, kitchenId: string): Promise<string[]> {
	const rows = (await db('sales')
		.where('kitchen_id', kitchenId)
		.groupBy('channel')
		.orderByRaw('MAX(sold_on) DESC')
		.select('channel')) as Row[];
	return rows.map((row) => String(row.channel));
}
