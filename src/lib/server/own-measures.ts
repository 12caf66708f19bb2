import { ownName, type OwnMeasure } from '$core/composition/own-measures.ts';
import type { Kind } from '$core/composition/kinds.ts';
import type { Database } from './db/connection.ts';
import { newId, toNumber, utcNow } from './rows.ts';
import { inTransaction } from './db/transaction.ts';

/** The measures of a kitchen's own, by their name. */
export async function ownMeasures(db: Database, kitchenId: string): Promise<OwnMeasure[]> {
	const rows = await db('own_measures').where('kitchen_id', kitchenId).orderBy(['name', 'kind']);
	return rows.map((row) => ({
		name: row.name,
		kind: row.kind === '' ? null : (row.kind as Kind),
		millilitres: toNumber(row.millilitres),
		grams: toNumber(row.grams)
	}));
}

/** Sets what a measure holds, or weighs with a kind, in the place of what was known of it. */
export async function setOwnMeasure(
	db: Database,
	kitchenId: string,
	{ name, kind, millilitres, grams }: OwnMeasure
): Promise<void> {
	await inTransaction(db, (transaction) =>
		transaction('own_measures')
			.insert({
				id: newId(),
				kitchen_id: kitchenId,
				name: ownName(name),
				kind: kind ?? '',
				millilitres,
				grams,
				created_at: utcNow()
			})
			.onConflict(['kitchen_id', 'name', 'kind'])
			.merge(['millilitres', 'grams'])
	);
}

/** Puts a measure away; as it was given for a kind, or by what it holds. */
export async function removeOwnMeasure(
	db: Database,
	kitchenId: string,
	name: string,
	kind: Kind | null
): Promise<void> {
	await inTransaction(db, (transaction) =>
		transaction('own_measures')
			.where({ kitchen_id: kitchenId, name, kind: kind ?? '' })
			.delete()
	);
}
