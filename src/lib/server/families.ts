import { FAMILIES, type Family, type Windows } from '$core/formula/families.ts';
import type { Database } from './db/connection.ts';
import { isDuplicate, refuse } from './errors.ts';
import { newId, utcNow } from './rows.ts';
import { inTransaction } from './db/transaction.ts';

/** The kitchen's own families by name. */
export async function ownFamilies(db: Database, kitchenId: string): Promise<Family[]> {
	const rows = await db('families').where('kitchen_id', kitchenId).orderBy('name');
	return rows.map((row) => ({
		id: row.id,
		name: row.name,
		windows: JSON.parse(row.windows) as Windows
	}));
}

/** Every family a formula may belong to: the usual ones and the kitchen's own. */
export async function allFamilies(db: Database, kitchenId: string): Promise<Family[]> {
	return [...FAMILIES, ...(await ownFamilies(db, kitchenId))];
}

/** Adds a family of one's own; its id. Refuses a name that is taken. */
export async function addFamily(db: Database, kitchenId: string, input: Omit<Family, 'id'>): Promise<string> {
	const id = newId();
	const taken = () => refuse('name', `there is already a family called "${input.name}"`);
	if (FAMILIES.some((family) => family.name.toLowerCase() === input.name.toLowerCase())) taken();
	await inTransaction(db, (transaction) =>
		transaction('families')
			.insert({
				id,
				kitchen_id: kitchenId,
				name: input.name,
				windows: JSON.stringify(input.windows),
				created_at: utcNow()
			})
			.catch((error: unknown) => {
				if (isDuplicate(error)) taken();
				throw error;
			})
	);
	return id;
}

/** Removes a family of one's own. Formulas that named it keep their lines and stand without windows. */
export async function removeFamily(db: Database, kitchenId: string, id: string): Promise<void> {
	await inTransaction(db, (transaction) =>
		transaction('families').where({ kitchen_id: kitchenId, id }).delete()
	);
}
