import type { Database } from '../db/connection.ts';
import { madeOnce } from '../db/once.ts';
import { inTransaction } from '../db/transaction.ts';
import { createKitchen, OPEN, type NewKitchen } from '../kitchens.ts';
import { endDemo } from './demo.ts';
import { belongs, join } from './memberships.ts';

/** Makes a kitchen with its owner; sent twice by the same person it is one. Refuses an id that is another's. */
export async function beginKitchen(
	db: Database,
	id: string,
	kitchen: NewKitchen,
	owner: { personId: string; name: string }
): Promise<void> {
	await madeOnce(db, { table: 'kitchens', kitchenId: id, id }, async (transaction) => {
		await createKitchen(transaction, kitchen, id);
		await own(transaction, id, owner);
	});
}

/** Makes somebody the owner of a kitchen that has none; of one that has, nothing comes of it. */
export async function own(
	db: Database,
	kitchenId: string,
	{ personId, name }: { personId: string; name: string }
): Promise<void> {
	await inTransaction(db, async (transaction) => {
		// Of two that come at once the second waits for the first, and finds its owner.
		await transaction('kitchens').where('id', kitchenId).forUpdate().first('id');
		const owner = await transaction('memberships')
			.where({ kitchen_id: kitchenId, role: 'owner' })
			.whereNull('ended_at')
			.whereNotNull('person_id')
			.first('id');
		if (owner || (await belongs(transaction, kitchenId, personId))) return;
		await join(transaction, kitchenId, { personId, name, role: 'owner', span: null });
		const person = await transaction('persons').where('id', personId).first('is_demo');
		if (person?.is_demo === 0) await endDemo(transaction);
	});
}

/** Kitchens nobody belongs to: from before there was a door, or out of an archive. */
export async function ownerless(db: Database): Promise<{ id: string; name: string }[]> {
	return db('kitchens as k')
		.whereNull('k.practice_of')
		.whereIn('k.state', [...OPEN])
		.whereNotExists(
			db('memberships as m')
				.where('m.kitchen_id', db.ref('k.id'))
				.whereNull('m.ended_at')
				.whereNotNull('m.person_id')
				.select('m.id')
		)
		.orderBy('k.id')
		.select<{ id: string; name: string }[]>('k.id', 'k.name');
}
