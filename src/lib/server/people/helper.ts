import type { Role } from '../../people/roles.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { giveCode, join } from './memberships.ts';
import { makePerson } from './persons.ts';

/** Adds somebody who only works at a shared device, by a short code. Throws `Refused` at `code`. */
export async function addHelper(
	db: Database,
	kitchenId: string,
	{ name, role, code }: { name: string; role: Role; code: string }
): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const personId = await makePerson(transaction, { name, login: null, password: null });
		const id = await join(transaction, kitchenId, { personId, name, role, span: null });
		await giveCode(transaction, kitchenId, id, code);
	});
}
