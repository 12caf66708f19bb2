import type { Database } from '../db/connection.ts';
import { isDuplicate, refuse } from '../errors.ts';
import { utcNow } from '../rows.ts';

export const nameTaken = (name: string) => refuse('name', `there is already a formula called "${name}"`);

export async function insertFormula(
	db: Database,
	kitchenId: string,
	id: string,
	name: string
): Promise<void> {
	const now = utcNow();
	await db('formulas')
		.insert({ id, kitchen_id: kitchenId, name, created_at: now, updated_at: now })
		.catch((error: unknown) => {
			if (isDuplicate(error)) nameTaken(name);
			throw error;
		});
}
