import type { PastPart } from '../../../sales/past.ts';
import type { PlannedRow } from '../../../sales/past.ts';
import { Decimal } from 'decimal.js';
import type { Database } from '../../db/connection.ts';
import { listProducts } from '../../products.ts';
import type { Product } from '../../../formula/product.ts';
import type { RowOf } from '../../db/tables.ts';
import { toMoney } from '../../rows.ts';
import { paced } from '../../pace.ts';
import type { ReadRow } from './read.ts';
import type { PastSale } from '../../../sales/past.ts';

/** A batch with what is left of it while rows are planned. */
interface BatchAtHand {
	id: string;
	code: string;
	productId: string;
	madeOn: string;
	left: number;
}

interface Known {
	products: Map<string, Product>;
	byCode: Map<string, BatchAtHand>;
	/** Oldest first. */
	byProduct: Map<string, BatchAtHand[]>;
	/** Codes of batches here that rows name, whether they have packs left or not. */
	codes: ReadonlySet<string>;
	/** Whose each id of the file is that is kept already: an id is of one kitchen only. */
	keptBy: ReadonlyMap<string, string>;
	/** Lines of the file that give one id, by the id; those that share it are told. */
	linesOfId: ReadonlyMap<string, number[]>;
	/** How often each sale of the file's days is in the ledger already. */
	alike: Map<string, number>;
}

const likeness = (sale: { soldOn: string; channel: string; packs: number; price: string; item: string }) =>
	[
		sale.soldOn,
		sale.channel.toLowerCase(),
		sale.packs,
		new Decimal(sale.price).toFixed(4),
		sale.item.toLowerCase()
	].join('|');

/** Packs that went at one place, day and price, by what they were. A sum is a decimal, so text. */
type SoldRow = Pick<RowOf<'sales'>, 'sold_on' | 'channel' | 'price' | 'item'> & { packs: string };

/**
 * What each row of a file would do. With `fromBatches` a row that names a product draws from its oldest
 * batches that had packs left and were made by its day; what they do not cover, and every row without it,
 * is of no known batch. A row that names a batch is of that batch or is bad.
 */
export async function planRows(
	db: Database,
	kitchenId: string,
	rows: readonly ReadRow[],
	fromBatches: boolean
): Promise<PlannedRow[]> {
	const known = await whatIsKnown(db, kitchenId, rows);
	const planning: PlannedRow[] = [];
	const pace = paced();
	for (const row of rows) {
		await pace();
		planning.push(planned(row, kitchenId, known, fromBatches));
	}
	return planning;
}

async function whatIsKnown(db: Database, kitchenId: string, rows: readonly ReadRow[]): Promise<Known> {
	const days = [...new Set(rows.flatMap((row) => row.sale?.soldOn ?? []))];
	const given = rows.flatMap((row) => row.sale?.id ?? []);
	const [products, batches, codes, kept, sold] = await Promise.all([
		listProducts(db, kitchenId),
		db('batches')
			.where('kitchen_id', kitchenId)
			.where('packs_left', '>', 0)
			.orderBy(['made_on', 'id'])
			.select('id', 'code', 'product_id', 'made_on', 'packs_left'),
		db('batches')
			.where('kitchen_id', kitchenId)
			.whereIn('code', [...new Set(rows.flatMap((row) => row.sale?.batch || []))])
			.pluck('code') as Promise<string[]>,
		db('sales').whereIn('id', given).select('id', 'kitchen_id'),
		db('sales as s')
			.leftJoin('batches as b', 'b.id', 's.batch_id')
			.leftJoin('products as p', 'p.id', 'b.product_id')
			.leftJoin('formulas as f', 'f.id', 'p.formula_id')
			.where('s.kitchen_id', kitchenId)
			.whereIn('s.sold_on', days)
			.where('s.packs', '>', 0)
			.groupBy('s.sold_on', 's.channel', 's.price', 's.checkout_id', 's.item', 'f.name')
			.select<SoldRow[]>(
				's.sold_on',
				's.channel',
				's.price',
				db.raw('COALESCE(s.item, f.name) AS item'),
				db.raw('SUM(s.packs) AS packs')
			)
	]);
	const known: Known = {
		products: new Map(products.map((product) => [product.name.toLowerCase(), product])),
		byCode: new Map(),
		byProduct: new Map(),
		codes: new Set(codes.map((code) => code.toLowerCase())),
		keptBy: new Map(kept.map((row) => [row.id, row.kitchen_id])),
		linesOfId: linesOfId(rows),
		alike: new Map()
	};
	for (const row of batches) {
		const batch: BatchAtHand = {
			id: row.id,
			code: row.code,
			productId: row.product_id,
			madeOn: row.made_on,
			left: Number(row.packs_left)
		};
		known.byCode.set(batch.code.toLowerCase(), batch);
		const of = known.byProduct.get(batch.productId);
		if (of) of.push(batch);
		else known.byProduct.set(batch.productId, [batch]);
	}
	for (const row of sold) {
		const key = likeness({
			soldOn: row.sold_on,
			channel: row.channel,
			packs: Number(row.packs),
			price: toMoney(row.price),
			item: row.item ?? ''
		});
		known.alike.set(key, (known.alike.get(key) ?? 0) + 1);
	}
	return known;
}

function linesOfId(rows: readonly ReadRow[]): Map<string, number[]> {
	const lines = new Map<string, number[]>();
	for (const { line, sale } of rows) if (sale?.id) lines.set(sale.id, [...(lines.get(sale.id) ?? []), line]);
	return lines;
}

function planned(
	{ line, sale: read, problems, raw, leftOut }: ReadRow,
	kitchenId: string,
	known: Known,
	fromBatches: boolean
): PlannedRow {
	const keptBy = known.keptBy.get(read?.id ?? '');
	// Of another kitchen, exported there: here it is another sale, with an id of its own.
	const sale = read && keptBy !== undefined && keptBy !== kitchenId ? { ...read, id: null } : read;
	const row: PlannedRow = {
		line,
		sale,
		item: sale?.product ?? '',
		productId: null,
		parts: [],
		total: '0.00',
		state: leftOut ? 'left out' : 'bad',
		problems,
		raw,
		why: leftOut
	};
	if (!sale) return row;
	const product = known.products.get(sale.product.toLowerCase());
	row.item = product?.name ?? sale.product;
	row.productId = product?.id ?? null;
	row.total = new Decimal(sale.price).times(sale.packs).toFixed(2);
	const twins = (known.linesOfId.get(sale.id ?? '') ?? []).filter((other) => other !== line);
	if (twins.length > 0)
		return {
			...row,
			problems: [
				{
					column: 'id',
					message: `line ${twins.join(', ')} gives the same id: which of them happened? Take the others out`
				}
			]
		};
	if (keptBy === kitchenId) return { ...row, state: 'here', why: 'is in the ledger already' };
	const isElsewhere = sale.batch !== '' && !known.codes.has(sale.batch.toLowerCase());
	if (sale.batch !== '' && !isElsewhere) {
		const batch = known.byCode.get(sale.batch.toLowerCase());
		const problem = problemOfBatch(sale, batch, product);
		if (problem || !batch) return { ...row, problems: [{ column: 'batch', message: problem }] };
		batch.left -= sale.packs;
		row.parts = [{ packs: sale.packs, batch }];
	} else {
		row.parts =
			fromBatches && product && !isElsewhere ? drawn(sale, known.byProduct.get(product.id) ?? []) : [];
		const rest = sale.packs - row.parts.reduce((sum, part) => sum + part.packs, 0);
		if (rest > 0) row.parts.push({ packs: rest, batch: null });
	}
	const key = likeness({ ...sale, item: row.item });
	const alike = known.alike.get(key) ?? 0;
	// Two alike in the file are two; as many as the ledger has are taken for those.
	if (alike > 0) known.alike.set(key, alike - 1);
	if (alike > 0)
		return { ...row, state: 'alike', why: 'one like it is in the ledger: take it only if it is another' };
	if (isElsewhere)
		return {
			...row,
			state: 'without batch',
			why: `there is no batch ${sale.batch} here: ticked, it is kept as of no known batch, and leads to no bag`
		};
	return { ...row, state: 'new' };
}

function problemOfBatch(
	sale: PastSale,
	batch: BatchAtHand | undefined,
	product: Product | undefined
): string {
	if (!batch) return `there is no batch ${sale.batch} with packs left`;
	if (product && product.id !== batch.productId) return `batch ${batch.code} is not of ${product.name}`;
	if (batch.madeOn > sale.soldOn) return `batch ${batch.code} was made on ${batch.madeOn}, after this day`;
	if (batch.left < sale.packs)
		return `batch ${batch.code} has ${batch.left} ${batch.left === 1 ? 'pack' : 'packs'} left, not ${sale.packs}`;
	return '';
}

/** Packs from the oldest batches that had some by that day; each is less by what is taken. */
function drawn(sale: PastSale, oldestFirst: readonly BatchAtHand[]): PastPart[] {
	const parts: PastPart[] = [];
	let wanted = sale.packs;
	for (const batch of oldestFirst) {
		if (wanted === 0) break;
		const packs = batch.madeOn > sale.soldOn ? 0 : Math.min(wanted, batch.left);
		if (packs === 0) continue;
		batch.left -= packs;
		wanted -= packs;
		parts.push({ packs, batch: { id: batch.id, code: batch.code } });
	}
	return parts;
}
