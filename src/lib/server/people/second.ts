import { generateSecret, generateURI, verify } from 'otplib';
import QRCode from 'qrcode';
import type { Database } from '../db/connection.ts';
import { refuse } from '../errors.ts';

/** A clock may be off by one step of 30 s (RFC 6238). */
const TOLERANCE_S = 30;
const DIGITS = /^\d{6}$/;

/** A secret for an app that gives codes, as a picture to point its camera at and as letters to type. */
export async function newSecond(login: string): Promise<{ secret: string; picture: string }> {
	const secret = generateSecret();
	const uri = generateURI({ issuer: 'Square Batch', label: login, secret });
	return { secret, picture: await QRCode.toDataURL(uri, { margin: 1 }) };
}

/** Takes up a second factor once the app has shown that it knows the secret. Throws `Refused` at `code`. */
export async function takeUpSecond(
	db: Database,
	personId: string,
	secret: string,
	code: string
): Promise<void> {
	const step = await stepOf(secret, code);
	if (step === null) return refuse('code', 'this is not the code of this moment');
	await db('persons').where('id', personId).update({ second_secret: secret, second_step: step });
}

export async function giveUpSecond(db: Database, personId: string): Promise<void> {
	await db('persons').where('id', personId).update({ second_secret: null, second_step: null });
}

/** Whether a code is the one of a person's app, and none that was taken before. */
export async function isSecond(db: Database, personId: string, code: string): Promise<boolean> {
	const row = await db('persons').where('id', personId).first('second_secret');
	const step = await stepOf(row?.second_secret ?? '', code);
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
