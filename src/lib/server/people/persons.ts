import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { isDuplicate, NotFound, refuse } from '../errors.ts';
import { newId, utcNow } from '../rows.ts';
import { noteFailed } from './failed.ts';
import { mayTry } from './limits.ts';
import { passwordProblem } from './passwords.ts';
import { chosenHash, isChosen } from './secrets.ts';
import { endSessions } from './sessions.ts';

/** A new person; without a login and a password one who only comes in by a short code. */
export interface NewPerson {
	name: string;
	login: string | null;
	password: string | null;
	isDemo?: boolean;
	/** The first of an installation: the database takes one. */
	isFirst?: boolean;
}

const TAKEN = 'this name to come in by is taken: choose another';
export const SOMEBODY_WAS_FIRST = 'somebody was first: ask them to invite you';

/** Makes a person; their id. Throws `Refused` at `login` or `password`. */
export async function makePerson(db: Database, person: NewPerson): Promise<string> {
	const { name, login, password } = person;
	if (password !== null && login !== null) refuseWeak(password, { login, name });
	const id = newId();
	await db('persons')
		.insert({
			id,
			name,
			login,
			password_hash: password === null ? null : await chosenHash(password),
			is_demo: person.isDemo ?? false,
			is_first: person.isFirst ? 1 : null,
			created_at: utcNow()
		})
		.catch((error: unknown) => {
			if (!isDuplicate(error)) throw error;
			// Of several that would be first at the same moment all but one find its row.
			if ((error as Error).message.includes('is_first')) refuse('', SOMEBODY_WAS_FIRST);
			refuse('login', TAKEN);
		});
	return id;
}

/** Refuses a password at its field. */
export function refuseWeak(password: string, of: { login: string; name: string }): void {
	const problem = passwordProblem(password, of);
	if (problem !== null) refuse('password', problem);
}

/** Whether anybody is here who is not of the demo: then a newcomer comes by invitation. */
export async function isAnybodyHere(db: Database): Promise<boolean> {
	return (await db('persons').where('is_demo', false).whereNotNull('login').first('id')) !== undefined;
}

/** Who a login and a password are of; null, after as long a time, where they are nobody's. */
export async function personBy(
	db: Database,
	login: string,
	password: string
): Promise<{ id: string; hasSecond: boolean } | null> {
	const row = await db('persons').where('login', login).first('id', 'password_hash', 'second_secret');
	const isRight = await isChosen(row?.password_hash ?? null, password);
	return row && isRight ? { id: row.id, hasSecond: row.second_secret !== null } : null;
}

/** Whose login it is; null where it is nobody's. */
export async function personCalled(db: Database, login: string): Promise<string | null> {
	return (await db('persons').where('login', login).first('id'))?.id ?? null;
}

/** Changes what a person is called, here and in every kitchen they belong to. */
export async function renamePerson(db: Database, id: string, name: string): Promise<void> {
	await inTransaction(db, async (transaction) => {
		await transaction('persons').where('id', id).update({ name });
		await transaction('memberships').where('person_id', id).update({ name });
	});
}

/**
 * Gives a person another password, and ends what was begun with the one before: their other sessions, and invitations
 * and codes for devices that they made. Throws `Refused` at its field.
 */
export async function changePassword(
	db: Database,
	id: string,
	{ now, password }: { now: string; password: string },
	here: Here
): Promise<void> {
	await mustKnow(db, id, now, here);
	await inTransaction(db, async (transaction) => {
		await setPassword(transaction, id, password);
		await endWhatTheyBegan(transaction, id, here.sessionId);
	});
}

/** Ends a person's sessions but one, and takes back the codes they made that still count. */
export async function endWhatTheyBegan(db: Database, personId: string, but?: string): Promise<void> {
	await inTransaction(db, async (transaction) => {
		await endSessions(transaction, { person_id: personId }, but);
		const theirs = await transaction('memberships').where('person_id', personId).pluck<string[]>('id');
		await transaction('pairings')
			.whereIn('membership_id', theirs)
			.whereNull('used_at')
			.update({ used_at: utcNow() });
	});
}

/** Where somebody who is in asks from. */
export interface Here {
	sessionId: string;
	from: string;
}

/** The same, where who asks is known otherwise. */
export async function setPassword(db: Database, id: string, password: string): Promise<void> {
	const row = await db('persons').where('id', id).first('login', 'name');
	if (!row) throw new NotFound('this person is not here');
	refuseWeak(password, { login: row.login ?? '', name: row.name });
	const password_hash = await chosenHash(password);
	await inTransaction(db, async (transaction) => {
		await transaction('persons').where('id', id).update({ password_hash });
	});
}

/** Which keys of their own a person has. */
export async function ownKeys(
	db: Database,
	id: string
): Promise<{ hasPassword: boolean; hasSecond: boolean }> {
	const row = await db('persons').where('id', id).first('password_hash', 'second_secret');
	return { hasPassword: row?.password_hash != null, hasSecond: row?.second_secret != null };
}

/**
 * Asks somebody who is in for their password once more: a device left open is no proof. Who took a session along has not
 * the password, and may not guess it; what they try holds nobody else. Throws `Refused` at `now`.
 */
export async function mustKnow(
	db: Database,
	id: string,
	now: string,
	{ sessionId, from }: Here
): Promise<void> {
	const row = await db('persons').where('id', id).first('password_hash');
	const wasRight = await mayTry(db, { by: 'confirm', of: id, from: sessionId, device: sessionId });
	if (!(await isChosen(row?.password_hash ?? null, now))) {
		noteFailed(db, { by: 'confirm', from, personId: id });
		refuse('now', 'this is not your password');
	}
	await wasRight();
}
