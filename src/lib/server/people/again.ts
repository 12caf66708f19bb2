import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { refuse } from '../errors.ts';
import { endWhatTheyBegan, setPassword } from './persons.ts';
import { useRecoveryCode } from './recovery.ts';
import { isChosen } from './secrets.ts';

const WRONG = 'this name and code do not go together, or the code was used';

/**
 * Lets somebody back who has a recovery code: it is used up, the password is another, and every session from before
 * ends, with the invitations and codes for devices they made. The person's id. Throws `Refused`, in the same words and the same time whether there is such a person or not.
 */
export async function comeAgain(
	db: Database,
	{ login, code, password }: { login: string; code: string; password: string }
): Promise<string> {
	const person = await db('persons').where('login', login).first('id');
	// As long as for somebody who is here.
	await isChosen(null, code);
	return inTransaction(db, async (transaction) => {
		if (!person || !(await useRecoveryCode(transaction, person.id, code))) return refuse('', WRONG);
		await setPassword(transaction, person.id, password);
		await endWhatTheyBegan(transaction, person.id);
		return person.id;
	});
}
