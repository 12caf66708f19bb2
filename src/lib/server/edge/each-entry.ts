import type Joi from 'joi';
import { databaseTrouble } from '../db/trouble.ts';
import { isOfNothing, OF_NOTHING } from '../errors.ts';
import { paced } from '../pace.ts';
import { log, logged } from './log.ts';
import { validated } from './validated.ts';

/** What became of an entry: kept; refused for good, in words; or failed on by the server, to be sent again. */
export type EntryAnswer =
	{ id: string; kept: true } | { id: string; kept: false; message: string; again?: boolean };

/** What a device sent, entry by entry: those that can be read, and the answers to those that cannot. */
export interface Entries<T> {
	sound: T[];
	answers: EntryAnswer[];
}

/** Reads `{ entries }`, each by the schema it is for: one that does not fit holds up no other. A message where it is no such list. */
export async function eachEntry<T>(
	document: unknown,
	most: number,
	schemaOf: (entry: object) => Joi.ObjectSchema<T>
): Promise<Entries<T> | string> {
	const { entries } = (document ?? {}) as { entries?: unknown };
	if (!Array.isArray(entries)) return 'this is no list of entries';
	if (entries.length > most) return `more than ${most} entries at once: send them in parts`;
	const read: Entries<T> = { sound: [], answers: [] };
	const pace = paced();
	for (const entry of entries as unknown[]) {
		await pace();
		const { id } = (entry ?? {}) as { id?: unknown };
		const { error, value } = validated(schemaOf(entry ?? {}), entry, { convert: false });
		if (!error) read.sound.push(value);
		else
			read.answers.push({
				id: typeof id === 'string' ? id : '',
				kept: false,
				message: `the server cannot read it: ${error.message}`
			});
	}
	return read;
}

/**
 * The answer to an entry that the server failed on for itself: it is asked for again. A database that is gone is no
 * fault of the entry's, and is thrown on.
 */
export function failedOn(id: string, error: unknown): EntryAnswer {
	if (databaseTrouble(error)) throw error;
	if (isOfNothing(error)) return { id, kept: false, message: OF_NOTHING };
	log.error({ entry: id, error: logged(error) }, 'an entry could not be kept');
	return { id, kept: false, again: true, message: 'something failed on the server' };
}
