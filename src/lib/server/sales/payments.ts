import { Decimal } from 'decimal.js';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { refuse } from '../errors.ts';
import { newId, utcNow } from '../rows.ts';

/** What one customer owes for what was taken at one time. */
export interface Owed {
	checkoutId: string;
	customer: string;
	soldOn: string;
	channel: string;
	packs: number;
	amount: string;
}

type OwedRow = Record<'checkout_id' | 'sold_on' | 'customer' | 'channel' | 'packs' | 'amount', string>;

const owedRows = (db: Database, kitchenId: string) =>
	db('sales as s')
		.leftJoin('sale_payments as p', (on) =>
			on.on('p.kitchen_id', 's.kitchen_id').on('p.checkout_id', 's.checkout_id')
		)
		.where({ 's.kitchen_id': kitchenId, 's.paid_by': 'owed' })
		.whereNull('p.id')
		.whereNotNull('s.checkout_id')
		.groupBy('s.checkout_id')
		.havingRaw('SUM(s.packs * s.price) <> 0')
		.select<OwedRow[]>(
			's.checkout_id',
			db.raw('MIN(s.sold_on) AS sold_on'),
			db.raw('MAX(s.customer) AS customer'),
			db.raw('MAX(s.channel) AS channel'),
			db.raw('SUM(s.packs) AS packs'),
			db.raw('SUM(s.packs * s.price) AS amount')
		);

/** What is owed and not paid, the oldest first. */
export async function owedNow(db: Database, kitchenId: string): Promise<Owed[]> {
	const rows = await owedRows(db, kitchenId).orderBy('sold_on');
	return rows.map((row) => ({
		checkoutId: row.checkout_id,
		customer: row.customer,
		soldOn: row.sold_on,
		channel: row.channel,
		packs: Number(row.packs),
		amount: new Decimal(row.amount).toFixed(2)
	}));
}

/** Writes down that what one customer owed is paid; once. Throws `Refused`. */
export async function payOwed(
	db: Database,
	kitchenId: string,
	payment: { checkoutId: string; paidBy: 'cash' | 'card'; paidOn: string }
): Promise<void> {
	await inTransaction(db, async (transaction) => {
		await transaction('kitchens').where('id', kitchenId).forUpdate().first('id');
		const [owed] = await owedRows(transaction, kitchenId).where('s.checkout_id', payment.checkoutId);
		if (!owed) return refuse('', 'this is paid already, or nothing is owed for it');
		await transaction('sale_payments').insert({
			id: newId(),
			kitchen_id: kitchenId,
			checkout_id: payment.checkoutId,
			amount: owed.amount,
			paid_by: payment.paidBy,
			paid_on: payment.paidOn,
			created_at: utcNow()
		});
	});
}
