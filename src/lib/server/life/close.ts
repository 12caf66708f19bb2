import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { refuse } from '../errors.ts';
import { utcNow } from '../rows.ts';

/** Closes a kitchen: all of it is read and taken along as an archive, and nothing is changed any more. */
export async function closeKitchen(db: Database, kitchenId: string): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const changed = await transaction('kitchens')
			.where({ id: kitchenId, state: 'open' })
			.whereNull('practice_of')
			.update({ state: 'closed', closed_at: utcNow() });
		if (changed === 0) refuse('', 'this kitchen is not open');
	});
}

/** Opens a closed kitchen again, as it was. */
export async function openAgain(db: Database, kitchenId: string): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const changed = await transaction('kitchens')
			.where({ id: kitchenId, state: 'closed' })
			.update({ state: 'open', closed_at: null });
		if (changed === 0) refuse('', 'this kitchen is not closed');
	});
}
