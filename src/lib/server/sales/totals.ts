import type { Sum } from '../../sales/totals.ts';
import type { GroupSum } from '../../sales/totals.ts';
import type { Knex } from 'knex';
import { parseDate } from '@internationalized/date';
import { Decimal } from 'decimal.js';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { filtered, type LedgerFilter } from './ledger.ts';

/** By what a total can be split. */
export type SplitBy = 'day' | 'month' | 'product' | 'channel' | 'paid';

/** Money is summed by the database in decimals: to the cent in whatever order. */
const sums = (db: Database) => [
	db.raw('COALESCE(SUM(IF(t.is_given, 0, t.packs)), 0) AS packs'),
	db.raw('COALESCE(SUM(IF(t.is_given, t.packs, 0)), 0) AS given'),
	db.raw('COALESCE(SUM(t.money), 0) AS money'),
	db.raw('COALESCE(SUM(t.entries), 0) AS entries')
];

/** A sum is a decimal, so text. */
type SumRow = Record<'packs' | 'given' | 'money' | 'entries', string>;

const toSum = (row: SumRow): Sum => ({
	packs: Number(row.packs),
	given: Number(row.given),
	money: new Decimal(row.money).toFixed(2),
	entries: Number(row.entries)
});

/** What the entries of a filter add up to. */
export async function ledgerTotal(db: Database, kitchenId: string, filter: LedgerFilter): Promise<Sum> {
	const row = await db.from(counted(db, kitchenId, filter).as('t')).first<SumRow>(sums(db));
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
	const inTime = by === 'day' || by === 'month';
	const from = by === 'day' ? ofEntries(db, filtered(db, kitchenId, filter)) : counted(db, kitchenId, filter);
	const column = { day: 't.sold_on', month: 't.month', channel: 't.channel', paid: 't.paid_by' }[by];
	const rows = await db
		.from(from.as('t'))
		.groupBy(column)
		.orderByRaw(inTime ? '1' : 'money DESC')
		.select<(SumRow & { key: string | null })[]>({ key: column }, ...sums(db));
	return rows.map((row) => ({ ...toSum(row), key: row.key ?? '', name: row.key ?? '' }));
}

/** The sum of one product and size of pack; of the item it was sold as where no batch is known. */
type ProductRow = SumRow &
	Pick<RowOf<'sales'>, 'product_id' | 'item'> & { pack_pieces: number | null; formula: string | null };

async function productSplit(db: Database, kitchenId: string, filter: LedgerFilter): Promise<GroupSum[]> {
	const byProduct = db
		.from(counted(db, kitchenId, filter).as('t'))
		.groupBy('t.product_id', 't.pack_pieces', 't.item')
		.select('t.product_id', 't.pack_pieces', 't.item', ...sums(db));
	const rows = await db
		.from(byProduct.as('g'))
		.leftJoin('products as p', 'p.id', 'g.product_id')
		.leftJoin('formulas as f', 'f.id', 'p.formula_id')
		.orderBy('g.money', 'desc')
		.select<ProductRow[]>('g.*', 'f.name as formula');
	return rows.map((row) => {
		const name = row.item ? `${row.item}, no batch known` : `${row.formula ?? ''} × ${row.pack_pieces ?? ''}`;
		return { ...toSum(row), key: `${row.product_id ?? ''} ${name}`, name };
	});
}

/** Rows to sum up of what a filter leaves: whole months from their sums, the days before and after from entries. */
function counted(db: Database, kitchenId: string, filter: LedgerFilter): Knex.QueryBuilder {
	const { months, days } = partsOf(filter);
	const parts = days.map((part) => ofEntries(db, filtered(db, kitchenId, { ...filter, ...part })));
	if (months) parts.push(ofMonths(db, kitchenId, filter, months));
	const [first, ...rest] = parts;
	if (!first) return ofEntries(db, filtered(db, kitchenId, filter).whereRaw('FALSE'));
	return first.unionAll(rest);
}

interface Span {
	from: string | null;
	to: string | null;
}

/** The whole months of a filter, `2026-03`, and the days that are not a whole month. */
export function partsOf({ from, to }: Span): { months: Span | null; days: Span[] } {
	const days: Span[] = [];
	let [first, last] = [from?.slice(0, 7) ?? null, to?.slice(0, 7) ?? null];
	const isStart = from === null || from.endsWith('-01');
	const isEnd = to === null || to === endOf(to.slice(0, 7));
	if (from !== null && to !== null && (from > to || (first === last && !(isStart && isEnd))))
		return { months: null, days: [{ from, to }] };
	if (from !== null && first !== null && !isStart) {
		days.push({ from, to: endOf(first) });
		first = following(first, 1);
	}
	if (to !== null && last !== null && !isEnd) {
		days.push({ from: `${last}-01`, to });
		last = following(last, -1);
	}
	const none = first !== null && last !== null && first > last;
	return { months: none ? null : { from: first, to: last }, days };
}

const following = (month: string, by: number) =>
	parseDate(`${month}-01`).add({ months: by }).toString().slice(0, 7);
const endOf = (month: string) => parseDate(`${month}-01`).add({ months: 1 }).subtract({ days: 1 }).toString();

function ofMonths(
	db: Database,
	kitchenId: string,
	filter: LedgerFilter,
	{ from, to }: Span
): Knex.QueryBuilder {
	const query = db('sales_months as s').where('s.kitchen_id', kitchenId);
	if (from) query.where('s.month', '>=', from);
	if (to) query.where('s.month', '<=', to);
	if (filter.channel) query.where('s.channel', filter.channel);
	if (filter.kind) query.where('s.kind', filter.kind);
	if (filter.paidBy) query.where('s.paid_by', filter.paidBy);
	if (filter.productId) query.where('s.product_id', filter.productId);
	return query.select(
		db.raw('NULL AS sold_on'),
		's.month',
		's.product_id',
		's.pack_pieces',
		's.item',
		's.channel',
		's.paid_by',
		's.is_given',
		's.packs',
		's.money',
		's.entries'
	);
}

/** Entries in the form of the sums of a month. */
function ofEntries(db: Database, entries: Knex.QueryBuilder): Knex.QueryBuilder {
	return entries
		.leftJoin('batches as b', 'b.id', 's.batch_id')
		.select(
			's.sold_on',
			db.raw("DATE_FORMAT(s.sold_on, '%Y-%m') AS month"),
			db.raw("COALESCE(s.product_id, '') AS product_id"),
			db.raw('COALESCE(b.pack_pieces, 0) AS pack_pieces'),
			db.raw("COALESCE(s.item, '') AS item"),
			's.channel',
			db.raw("COALESCE(s.paid_by, '') AS paid_by"),
			's.is_given',
			's.packs',
			db.raw('s.packs * s.price AS money'),
			db.raw('1 AS entries')
		);
}
