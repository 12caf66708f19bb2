import { Decimal } from 'decimal.js';
import Papa from 'papaparse';
import type { Database } from './db/connection.ts';
import { NotFound, refuse } from './errors.ts';
import { groupBy, newId, toMoney, utcNow, type Row } from './rows.ts';

/** An entry of the ledger: packs of one batch sold, or an earlier sale voided (packs below zero). */
export interface Sale {
	id: string;
	batchId: string;
	batchCode: string;
	/** The formula's name and pack size. */
	product: string;
	packPieces: number;
	soldOn: string;
	channel: string;
	packs: number;
	/** Price of one pack, decimal string. */
	price: string;
	/** packs × price, decimal string; below zero for a void. */
	total: string;
	voidsId: string | null;
	/** Whether a later entry voids this one. */
	voided: boolean;
	reason: string;
}

/** What the sales add up to. */
export interface SalesTotals {
	packs: number;
	money: string;
	byChannel: { channel: string; packs: number; money: string }[];
}

export interface SaleInput {
	batchId: string;
	soldOn: string;
	channel: string;
	packs: number;
	price: string;
}

/** Every sale of the kitchen, or those of one batch, newest day first. */
export async function listSales(db: Database, kitchenId: string, batchId?: string): Promise<Sale[]> {
	const query = db('sales as s')
		.join('batches as b', 'b.id', 's.batch_id')
		.join('products as p', 'p.id', 'b.product_id')
		.join('formulas as f', 'f.id', 'p.formula_id')
		.leftJoin('sales as v', 'v.voids_id', 's.id')
		.where('s.kitchen_id', kitchenId)
		.orderBy([
			{ column: 's.sold_on', order: 'desc' },
			{ column: 's.id', order: 'desc' }
		])
		.select('s.*', 'b.code', 'b.pack_pieces', 'f.name', 'v.id as voided_by');
	if (batchId) query.where('s.batch_id', batchId);
	return ((await query) as Row[]).map((row) => ({
		id: String(row.id),
		batchId: String(row.batch_id),
		batchCode: String(row.code),
		product: String(row.name),
		packPieces: Number(row.pack_pieces),
		soldOn: String(row.sold_on),
		channel: String(row.channel),
		packs: Number(row.packs),
		price: toMoney(row.price),
		total: new Decimal(String(row.price)).times(Number(row.packs)).toFixed(2),
		voidsId: row.voids_id === null ? null : String(row.voids_id),
		voided: row.voided_by !== null,
		reason: String(row.reason)
	}));
}

/** What was sold in a calendar year, against what the local profile says may be. */
export interface YearOfSales {
	year: string;
	money: string;
	limit: string | null;
	/** What is left up to the limit, below zero past it; null without a limit. */
	left: string | null;
}

/** The sales of a calendar year against a yearly limit, exact to the cent. */
export function yearOfSales(sales: readonly Sale[], year: string, limit: string | null): YearOfSales {
	const { money } = salesTotals(sales.filter((sale) => sale.soldOn.startsWith(year)));
	return { year, money, limit, left: limit === null ? null : new Decimal(limit).minus(money).toFixed(2) };
}

/** Totals of sales, exact to the cent; voids take back what they void. */
export function salesTotals(sales: readonly Sale[]): SalesTotals {
	const add = (each: readonly Sale[]) => ({
		packs: each.reduce((sum, sale) => sum + sale.packs, 0),
		money: each.reduce((sum, sale) => sum.plus(sale.total), new Decimal(0)).toFixed(2)
	});
	return {
		...add(sales),
		byChannel: [...groupBy(sales, (sale) => sale.channel)]
			.map(([channel, each]) => ({ channel, ...add(each) }))
			.sort((a, b) => Number(b.money) - Number(a.money))
	};
}

/**
 * Records a sale of packs of a batch. Never more than the batch has left, from however many devices
 * at once. `id` comes from the form, so that a sale sent twice counts once. Throws `Refused`.
 */
export async function recordSale(
	db: Database,
	kitchenId: string,
	id: string,
	input: SaleInput
): Promise<void> {
	await db.transaction(async (transaction) => {
		const batch = (await transaction('batches')
			.where({ kitchen_id: kitchenId, id: input.batchId })
			.forUpdate()
			.first('packs_made', 'packs_sold', 'made_on', 'code')) as Row | undefined;
		if (!batch) return refuse('batchId', 'choose the batch the packs are from');
		// Asked after the lock, so that the same sale arriving twice at once is seen.
		if (await transaction('sales').where({ kitchen_id: kitchenId, id }).first('id')) return;
		const left = Number(batch.packs_made) - Number(batch.packs_sold);
		if (input.packs > left)
			refuse(
				'packs',
				`batch ${String(batch.code)} has ${left} ${left === 1 ? 'pack' : 'packs'} left, not ${input.packs}`
			);
		if (input.soldOn < String(batch.made_on))
			refuse('soldOn', `batch ${String(batch.code)} was made on ${String(batch.made_on)}, after this day`);
		await transaction('sales').insert({
			id,
			kitchen_id: kitchenId,
			batch_id: input.batchId,
			sold_on: input.soldOn,
			channel: input.channel,
			packs: input.packs,
			price: input.price,
			created_at: utcNow()
		});
		await transaction('batches')
			.where({ kitchen_id: kitchenId, id: input.batchId })
			.increment('packs_sold', input.packs);
	});
}

/** Voids a sale by an entry that gives its packs back to the batch. Throws `Refused`, `NotFound`. */
export async function voidSale(
	db: Database,
	kitchenId: string,
	saleId: string,
	reason: string
): Promise<void> {
	await db.transaction(async (transaction) => {
		const sale = (await transaction('sales')
			.where({ kitchen_id: kitchenId, id: saleId })
			.forUpdate()
			.first()) as Row | undefined;
		if (!sale) throw new NotFound('this sale is not here');
		if (sale.voids_id !== null) refuse('', 'this entry is itself a void');
		await transaction('batches')
			.where({ kitchen_id: kitchenId, id: sale.batch_id as string })
			.forUpdate()
			.first('id');
		if (await transaction('sales').where({ kitchen_id: kitchenId, voids_id: saleId }).first('id')) return;
		await transaction('sales').insert({
			id: newId(),
			kitchen_id: kitchenId,
			batch_id: sale.batch_id,
			sold_on: sale.sold_on,
			channel: sale.channel,
			packs: -Number(sale.packs),
			price: sale.price,
			voids_id: saleId,
			reason,
			created_at: utcNow()
		});
		await transaction('batches')
			.where({ kitchen_id: kitchenId, id: sale.batch_id as string })
			.decrement('packs_sold', Number(sale.packs));
	});
}

/** Columns of the exported ledger, in order. */
const CSV_COLUMNS = [
	'date',
	'channel',
	'product',
	'pieces_per_pack',
	'batch',
	'packs',
	'price',
	'total',
	'currency',
	'void',
	'reason'
] as const;

/** The ledger as CSV, one row an entry, with a header. Text that a spreadsheet would run is defused. */
export function salesCsv(sales: readonly Sale[], currency: string): string {
	const data = sales.map((sale) => [
		sale.soldOn,
		sale.channel,
		sale.product,
		sale.packPieces,
		sale.batchCode,
		sale.packs,
		sale.price,
		sale.total,
		currency,
		sale.voidsId ? 'void' : sale.voided ? 'voided' : '',
		sale.reason
	]);
	return Papa.unparse(
		{ fields: [...CSV_COLUMNS], data },
		{ escapeFormulae: /^[=+@\t\r]|^-(?!\d)/, newline: '\r\n' }
	);
}
