import { randomInt } from 'node:crypto';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { newId, utcNow } from '../rows.ts';
import { tokenHash } from './secrets.ts';

const CODES = 8;
/** Letters and digits nobody takes for another; 20 of them are 97 bits. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
const GROUPS = 4;
const GROUP = 5;

const newCode = (): string =>
	Array.from({ length: GROUPS }, () =>
		Array.from({ length: GROUP }, () => LETTERS[randomInt(LETTERS.length)]).join('')
	).join('-');

/** A code as it is compared, however it was typed. */
const plain = (code: string): string => code.toLowerCase().replaceAll(/[^a-z0-9]/g, '');

/** Gives a person recovery codes in the place of those before; they are shown once. */
export async function makeRecoveryCodes(db: Database, personId: string): Promise<string[]> {
	const codes = Array.from({ length: CODES }, newCode);
	await inTransaction(db, async (transaction) => {
		await transaction('recovery_codes').where('person_id', personId).delete();
		await transaction('recovery_codes').insert(
			codes.map((code) => ({ id: newId(), person_id: personId, code_hash: tokenHash(plain(code)) }))
		);
	});
	return codes;
}

/** Uses one of a person's codes up; false where it is none of theirs, or was used. */
export async function useRecoveryCode(db: Database, personId: string, code: string): Promise<boolean> {
	const changed = await db('recovery_codes')
		.where({ person_id: personId, code_hash: tokenHash(plain(code)) })
		.whereNull('used_at')
		.update({ used_at: utcNow() });
	return changed === 1;
}

/** How many codes a person has left. */
export async function codesLeft(db: Database, personId: string): Promise<number> {
	const rows = await db('recovery_codes')
		.where('person_id', personId)
		.whereNull('used_at')
		.pluck<string[]>('id');
	return rows.length;
}

/** Gives a person one more code, for who keeps the machine to hand on. */
export async function oneRecoveryCode(db: Database, personId: string): Promise<string> {
	const code = newCode();
	await db('recovery_codes').insert({
		id: newId(),
		person_id: personId,
		code_hash: tokenHash(plain(code))
	});
	return code;
}
