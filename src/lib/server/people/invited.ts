import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { NotFound } from '../errors.ts';
import { join } from './memberships.ts';
import { findPairing, usePairing } from './pairings.ts';
import { makePerson } from './persons.ts';

/** Takes an invitation as somebody who is not here yet. Throws `NotFound`, `Refused` at a field. */
export async function takeAsNew(
	db: Database,
	code: string,
	person: { name: string; login: string; password: string }
): Promise<{ personId: string; kitchenId: string }> {
	return inTransaction(db, async (transaction) => {
		const invitation = await invitationBy(transaction, code);
		await usePairing(transaction, invitation);
		const personId = await makePerson(transaction, person);
		const { kitchenId, role, span } = invitation;
		await join(transaction, kitchenId, { personId, name: person.name, role, span });
		return { personId, kitchenId };
	});
}

/** The same as somebody who is; the kitchen's id. */
export async function takeAsKnown(
	db: Database,
	code: string,
	person: { personId: string; name: string }
): Promise<string> {
	return inTransaction(db, async (transaction) => {
		const invitation = await invitationBy(transaction, code);
		await usePairing(transaction, invitation);
		const { kitchenId, role, span } = invitation;
		await join(transaction, kitchenId, { ...person, role, span });
		return kitchenId;
	});
}

async function invitationBy(db: Database, code: string) {
	const pairing = await findPairing(db, code);
	if (pairing.kind !== 'person') throw new NotFound('this code invites nobody');
	return pairing;
}
