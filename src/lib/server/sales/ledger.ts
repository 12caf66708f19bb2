import type { Knex } from 'knex';
import { Decimal } from 'decimal.js';
import { ulid } from 'ulid';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { toMoney } from '../rows.ts';
import type { PaidBy, SaleKind } from '../../sales/kinds.ts';
import type { Sale } from '../../sales/types.ts';

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
export function filtered(db: Database, kitchenId: string, filter: LedgerFilter): Knex.QueryBuilder {
	const query = db('sales as s').where('s.kitchen_id', kitchenId);
	if (filter.from) query.where('s.sold_on', '>=', filter.from);
	if (filter.to) query.where('s.sold_on', '<=', filter.to);
	if (filter.channel) query.where('s.channel', filter.channel);
	if (filter.kind) query.where('s.kind', filter.kind);
	if (filter.paidBy) query.where('s.paid_by', filter.paidBy);
	if (filter.productId) query.where('s.product_id', filter.productId);
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
		{ column: 's.total', order: 'desc' },
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
	const page = filtered(db, kitchenId, filter).orderBy(ORDER[sort]).limit(most).offset(offset);
	return readSales(db, kitchenId, page, sort);
}

/** Every entry of a batch, newest first. */
export async function salesOfBatch(db: Database, kitchenId: string, batchId: string): Promise<Sale[]> {
	const ofBatch = db('sales as s').where({ 's.kitchen_id': kitchenId, 's.batch_id': batchId });
	return readSales(db, kitchenId, ofBatch, 'newest');
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

/** The entries that a query finds. */
async function readSales(
	db: Database,
	kitchenId: string,
	found: Knex.QueryBuilder,
	sort: Sort
): Promise<Sale[]> {
	// Found first, and only then joined to what they are of: a page is some sixty of many years' entries.
	const rows = await db
		.from(found.select('s.id').as('found'))
		.join('sales as s', 's.id', 'found.id')
		.leftJoin('batches as b', 'b.id', 's.batch_id')
		.leftJoin('products as p', 'p.id', 'b.product_id')
		.leftJoin('formulas as f', 'f.id', 'p.formula_id')
		.orderBy(ORDER[sort])
		.select<SaleRow[]>('s.*', 'b.code', 'b.pack_pieces', 'f.name');
	if (rows.length === 0) return [];
	const ids = rows.map((row) => row.id);
	// Later entries that void or return these.
	const about = await db('sales as s')
		.where('s.kitchen_id', kitchenId)
		.where((of) => void of.whereIn('s.voids_id', ids).orWhereIn('s.returns_id', ids))
		.leftJoin('sales as v', 'v.voids_id', 's.id')
		.whereNull('v.id')
		.select<Pick<RowOf<'sales'>, 'kind' | 'voids_id' | 'returns_id' | 'packs'>[]>(
			's.kind',
			's.voids_id',
			's.returns_id',
			's.packs'
		);
	const voided = new Set(about.flatMap((row) => row.voids_id ?? []));
	const returned = new Map<string, number>();
	for (const row of about)
		if (row.kind === 'return' && row.returns_id !== null)
			returned.set(row.returns_id, (returned.get(row.returns_id) ?? 0) - row.packs);
	return rows.map((row) => {
		const id = row.id;
		return fromRow(row, voided.has(id), returned.get(id) ?? 0);
	});
}

/** An entry beside the batch it is of; without one for a sale from before its batch was kept. */
type SaleRow = RowOf<'sales'> & { code: string | null; pack_pieces: number | null; name: string | null };

function fromRow(row: SaleRow, voided: boolean, returned: number): Sale {
	return {
		id: row.id,
		kind: row.kind as SaleKind,
		batchId: row.batch_id,
		batchCode: row.code ?? '',
		product: row.name ?? row.item ?? '',
		// A short pack holds fewer than its batch's others.
		packPieces: row.pieces ?? row.pack_pieces,
		soldOn: row.sold_on,
		channel: row.channel,
		packs: row.packs,
		price: toMoney(row.price),
		total: new Decimal(row.price).times(row.packs).toFixed(2),
		paidBy: row.paid_by as PaidBy | null,
		checkoutId: row.checkout_id,
		customer: row.customer,
		ofId: row.voids_id ?? row.returns_id,
		voided,
		returned,
		reason: row.reason
	};
}

/** The day of the first entry; null before any. */
export async function firstDay(db: Database, kitchenId: string): Promise<string | null> {
	const row = await db('sales').where('kitchen_id', kitchenId).orderBy('sold_on').first('sold_on');
	return row ? row.sold_on : null;
}

/** Ids of what was kept in the last days, for a device that goes on without the server. */
export async function recentIds(db: Database, kitchenId: string): Promise<string[]> {
	const DAYS = 4;
	// An id begins with the time it was made.
	const oldest = ulid(Date.now() - DAYS * 24 * 3600 * 1000).slice(0, 10);
	return db('sales').where('kitchen_id', kitchenId).where('id', '>=', oldest).pluck<string[]>('id');
}

/** Ways packs were sold by: those of the newest month first, of it the most used. */
export async function channelsUsed(db: Database, kitchenId: string): Promise<string[]> {
	const rows = await db('sales_months')
		.where('kitchen_id', kitchenId)
		.groupBy('channel')
		.orderByRaw('MAX(month) DESC, SUM(entries) DESC')
		.select('channel');
	return rows.map((row) => row.channel);
}
