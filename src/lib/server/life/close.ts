import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { refuse } from '../errors.ts';
import { utcNow } from '../rows.ts';

/** Closes a kitchen: all of it is read and taken along as an archive, and nothing is changed any more. */
export async function closeKitchen(db: Database, kitchenId: string): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const kitchen = await transaction('kitchens')
			.where('id', kitchenId)
			.whereNull('practice_of')
			.forUpdate()
			.first('state');
		// Sent twice it is closed once.
		if (kitchen?.state === 'closed') return;
		if (kitchen?.state !== 'open') refuse('', 'this kitchen is not open');
		await transaction('kitchens').where('id', kitchenId).update({ state: 'closed', closed_at: utcNow() });
	});
}

/** Opens a closed kitchen again, as it was. */
export async function openAgain(db: Database, kitchenId: string): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const kitchen = await transaction('kitchens').where('id', kitchenId).forUpdate().first('state');
		if (kitchen?.state === 'open') return;
		if (kitchen?.state !== 'closed') refuse('', 'this kitchen is not closed');
		await transaction('kitchens').where('id', kitchenId).update({ state: 'open', closed_at: null });
	});
}
