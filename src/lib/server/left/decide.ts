import type { Entry } from '$core/bench/entries.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { SaleEntry } from '../../sales/types.ts';
import { keepEach } from '../bench/entries.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { NotFound, refuse } from '../errors.ts';
import { utcNow } from '../rows.ts';
import { keepSale } from '../sales/keep.ts';
import { batchIdOf } from './read.ts';

/** How what a device left is read: it is what the device said then, and nothing was looked at yet. */
export interface Reading {
	sale: (item: unknown) => SaleEntry;
	entry: (item: unknown) => Entry;
}

const KEPT_IN = { bench: ['weighings', 'batch_events'], till: ['sales'] } as const;

/**
 * Records an entry that was left, under its own id, as whoever decides it: one that did come through from the device is
 * not recorded again. Throws `Refused` with why it cannot be, and `NotFound`; it waits on then.
 */
export async function recordLeft(
	db: Database,
	kitchen: Kitchen,
	id: string,
	reading: Reading
): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const row = await theirs(transaction, kitchen.id, id).forUpdate().first();
		if (!row) throw new NotFound('this entry does not wait here');
		const item = JSON.parse(row.item) as unknown;
		const queue = row.queue === 'till' ? 'till' : 'bench';
		if (!(await isKept(transaction, kitchen.id, queue, id))) {
			if (queue === 'till') await keepSale(transaction, kitchen.id, reading.sale(item));
			else {
				const { answers } = await keepEach(transaction, kitchen, batchIdOf(item), [
					reading.entry((item as { entry?: unknown }).entry)
				]);
				const [answer] = answers;
				if (answer && !answer.kept) refuse('', answer.message);
			}
		}
		await theirs(transaction, kitchen.id, id).update({ state: 'recorded', decided_at: utcNow() });
	});
}

/** Lets go of an entry that was left, with a reason. Throws `NotFound`. */
export async function letGo(db: Database, kitchenId: string, id: string, reason: string): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const changed = await theirs(transaction, kitchenId, id).update({
			state: 'let go',
			reason,
			decided_at: utcNow()
		});
		if (changed === 0) throw new NotFound('this entry does not wait here');
	});
}

const theirs = (db: Database, kitchenId: string, id: string) =>
	db('left_entries').where({ kitchen_id: kitchenId, id, state: 'waits' });

/** Whether the entry did come through, and only its answer was lost. */
async function isKept(
	db: Database,
	kitchenId: string,
	queue: keyof typeof KEPT_IN,
	id: string
): Promise<boolean> {
	for (const table of KEPT_IN[queue])
		if (
			await db(table as 'sales')
				.where({ kitchen_id: kitchenId, id })
				.first('id')
		)
			return true;
	return false;
}
