import type { Role } from '../../people/roles.ts';
import type { Database } from '../db/connection.ts';
import { madeOnce } from '../db/once.ts';
import { newId } from '../rows.ts';
import { giveCode, join } from './memberships.ts';
import { makePerson } from './persons.ts';

/**
 * Adds somebody who only works at a shared device, by a short code. `id` comes from the form: sent twice it is one
 * helper. Throws `Refused` at `code`.
 */
export async function addHelper(
	db: Database,
	kitchenId: string,
	{ id = newId(), name, role, code }: { id?: string; name: string; role: Role; code: string }
): Promise<void> {
	await madeOnce(db, { table: 'memberships', kitchenId, id }, async (transaction) => {
		const personId = await makePerson(transaction, { name, login: null, password: null });
		await join(transaction, kitchenId, { personId, name, role, span: null }, id);
		await giveCode(transaction, kitchenId, id, code);
	});
}
