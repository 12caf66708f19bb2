import { generateSecret, generateURI, verify } from 'otplib';
import QRCode from 'qrcode';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { refuse } from '../errors.ts';
import { isSealed, sealed, unsealed } from './sealed.ts';

/** A clock may be off by one step of 30 s (RFC 6238). */
const TOLERANCE_S = 30;
const DIGITS = /^\d{6}$/;

/**
 * Begins a second factor: a secret for an app that gives codes, as a picture to point its camera at and as letters to
 * type. The server keeps it until the app has shown that it knows it; no page is asked what it was.
 */
export async function beginSecond(
	db: Database,
	personId: string,
	login: string
): Promise<{ secret: string; picture: string }> {
	const secret = generateSecret();
	const uri = generateURI({ issuer: 'Square Batch', label: login, secret });
	await db('persons')
		.where('id', personId)
		.update({ second_pending: sealed(secret, personId) });
	return { secret, picture: await QRCode.toDataURL(uri, { margin: 1 }) };
}

/** Takes up the second factor that was begun, once the app has shown that it knows it. Throws `Refused` at `code`. */
export async function takeUpSecond(db: Database, personId: string, code: string): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const row = await transaction('persons').where('id', personId).forUpdate().first('second_pending');
		const pending = row?.second_pending ?? null;
		if (pending === null) return refuse('', 'begin the second factor again');
		const step = await stepOf(unsealed(pending, personId) ?? '', code);
		if (step === null) return refuse('code', 'this is not the code of this moment');
		await transaction('persons')
			.where('id', personId)
			.update({ second_secret: pending, second_pending: null, second_step: step });
	});
}

export async function giveUpSecond(db: Database, personId: string): Promise<void> {
	await inTransaction(db, (transaction) =>
		transaction('persons')
			.where('id', personId)
			.update({ second_secret: null, second_pending: null, second_step: null })
	);
}

/** Seals the secrets that were kept before they were sealed. */
export async function sealSeconds(db: Database): Promise<void> {
	const rows = await db('persons').whereNotNull('second_secret').select('id', 'second_secret');
	for (const { id, second_secret: secret } of rows)
		if (secret !== null && !isSealed(secret))
			await db('persons')
				.where({ id, second_secret: secret })
				.update({ second_secret: sealed(secret, id) });
}

/** Whether a code is the one of a person's app, and none that was taken before. */
export async function isSecond(db: Database, personId: string, code: string): Promise<boolean> {
	const row = await db('persons').where('id', personId).first('second_secret');
	const step = await stepOf(unsealed(row?.second_secret ?? '', personId) ?? '', code);
	if (step === null) return false;
	const changed = await db('persons')
		.where('id', personId)
		.where((given) => {
			void given.whereNull('second_step').orWhere('second_step', '<', step);
		})
		.update({ second_step: step });
	return changed === 1;
}

/** The time step a code is of; null where it is of none near now. */
async function stepOf(secret: string, code: string): Promise<number | null> {
	const token = code.replaceAll(/\s/g, '');
	if (secret === '' || !DIGITS.test(token)) return null;
	const result = await verify({ secret, token, epochTolerance: TOLERANCE_S });
	return result.valid && 'timeStep' in result ? result.timeStep : null;
}
