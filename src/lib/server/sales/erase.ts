import { newId } from '../rows.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { refuse } from '../errors.ts';

/** Of an id, enough to tell one who was erased from another. */
const TELLING = 6;

/**
 * Takes a customer's name off everything they bought and ordered: one and the same word stands in its place, so that
 * what is owed and what came back still add up. How many entries. Throws `Refused` where nobody is called so.
 */
export async function eraseCustomer(db: Database, kitchenId: string, customer: string): Promise<number> {
	return inTransaction(db, async (transaction) => {
		const erased = { customer: `erased ${newId().slice(-TELLING).toLowerCase()}` };
		const theirs = (table: 'sales' | 'orders') =>
			transaction(table)
				.where({ kitchen_id: kitchenId, customer })
				.whereNot('customer', '')
				.where('customer', 'not like', 'erased %');
		const sales = await theirs('sales').update(erased);
		const orders = await theirs('orders').update({ ...erased, note: '' });
		const left = await transaction('left_entries')
			.where({ kitchen_id: kitchenId, queue: 'till' })
			.whereRaw("JSON_VALUE(item, '$.customer') = ?", [customer])
			.update({ item: transaction.raw("JSON_SET(item, '$.customer', ?)", [erased.customer]) });
		return sales + orders + left > 0
			? sales + orders + left
			: refuse('customer', 'no sale or order is to anybody called so');
	});
}
