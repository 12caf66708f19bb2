import {
	generateAuthenticationOptions,
	generateRegistrationOptions,
	verifyAuthenticationResponse,
	verifyRegistrationResponse,
	type AuthenticationResponseJSON,
	type AuthenticatorTransport,
	type RegistrationResponseJSON
} from '@simplewebauthn/server';
import type { MyPasskey } from '../../people/passkey.ts';
import type { Database } from '../db/connection.ts';
import { NotFound, refuse } from '../errors.ts';
import { newId, utcAt, utcNow } from '../rows.ts';
import { tokenHash } from './secrets.ts';

/** Where the browser says it is: a passkey is of a name, and no number is one. */
export interface Site {
	origin: string;
	hostname: string;
}

const MINUTES_MS = 5 * 60_000;

/** Whether a place can have passkeys: a browser takes none for an address of numbers. */
export const canHavePasskeys = ({ hostname }: Pick<Site, 'hostname'>): boolean =>
	!/^[\d.]+$|^\[/.test(hostname);

/** What a passkey is asked for, and whom: a session, or at the door a browser, by a secret of its own. */
export interface Ceremony {
	name: 'add' | 'come in' | 'prove';
	givenTo: string;
}

const columnsOf = ({ name, givenTo }: Ceremony) => ({ ceremony: name, given_to: tokenHash(givenTo) });

async function keepChallenge(db: Database, challenge: string, of: Ceremony): Promise<void> {
	await db('challenges').where('ends_at', '<', utcNow()).delete();
	const ends_at = utcAt(Date.now() + MINUTES_MS);
	await db('challenges').insert({ challenge, ends_at, ...columnsOf(of) });
}

/** Whether it was asked here, of this browser, for this, and not answered before. */
const takeChallenge = (db: Database, of: Ceremony) => async (challenge: string) =>
	(await db('challenges')
		.where({ challenge, ...columnsOf(of) })
		.where('ends_at', '>', utcNow())
		.delete()) === 1;

/** What a browser is to ask its authenticator for, to add a passkey. */
export async function registrationOptions(
	db: Database,
	site: Site,
	person: { id: string; name: string; login: string },
	sessionId: string
) {
	const known = await db('passkeys').where('person_id', person.id).select('credential_id', 'transports');
	const options = await generateRegistrationOptions({
		rpName: 'Square Batch',
		rpID: site.hostname,
		userName: person.login,
		userDisplayName: person.name,
		userID: new TextEncoder().encode(person.id),
		attestationType: 'none',
		excludeCredentials: known.map((row) => ({
			id: row.credential_id,
			transports: transportsOf(row.transports)
		})),
		authenticatorSelection: { residentKey: 'required', userVerification: 'required' }
	});
	await keepChallenge(db, options.challenge, { name: 'add', givenTo: sessionId });
	return options;
}

const transportsOf = (text: string) =>
	text.split(',').filter((each) => each !== '') as AuthenticatorTransport[];

/** Adds a passkey to a person. Throws `Refused` where the answer is none. */
export async function addPasskey(
	db: Database,
	site: Site,
	{ personId, sessionId }: { personId: string; sessionId: string },
	{ response, name }: { response: RegistrationResponseJSON; name: string }
): Promise<void> {
	const { verified, registrationInfo } = await verifyRegistrationResponse({
		response,
		expectedChallenge: takeChallenge(db, { name: 'add', givenTo: sessionId }),
		expectedOrigin: site.origin,
		expectedRPID: site.hostname
	}).catch(() => ({ verified: false as const, registrationInfo: undefined }));
	if (!verified) return refuse('', 'the passkey was not made: try again');
	const { id, publicKey, counter, transports = [] } = registrationInfo.credential;
	await db('passkeys').insert({
		id: newId(),
		person_id: personId,
		credential_id: id,
		public_key: Buffer.from(publicKey).toString('base64'),
		counter,
		transports: transports.join(','),
		name,
		created_at: utcNow()
	});
}

/** What a browser is to ask for: any passkey, or where somebody is in, one of theirs. */
export async function passkeyOptions(db: Database, site: Site, of: Ceremony, personId?: string) {
	const theirs =
		personId === undefined
			? []
			: await db('passkeys').where('person_id', personId).select('credential_id', 'transports');
	const options = await generateAuthenticationOptions({
		rpID: site.hostname,
		userVerification: 'required',
		allowCredentials: theirs.map((row) => ({
			id: row.credential_id,
			transports: transportsOf(row.transports)
		}))
	});
	await keepChallenge(db, options.challenge, of);
	return options;
}

/** Whose a passkey is by what it says of itself, before any of it is proved; null where it is nobody's. */
export async function personSaidBy(db: Database, { id }: AuthenticationResponseJSON): Promise<string | null> {
	return (await db('passkeys').where('credential_id', id).first('person_id'))?.person_id ?? null;
}

/** Whose passkey answered what it was asked for; null where nobody's did. */
export async function personByPasskey(
	db: Database,
	site: Site,
	response: AuthenticationResponseJSON,
	of: Ceremony
): Promise<string | null> {
	const row = await db('passkeys').where('credential_id', response.id).first();
	if (!row) return null;
	const { verified, authenticationInfo } = await verifyAuthenticationResponse({
		response,
		expectedChallenge: takeChallenge(db, of),
		expectedOrigin: site.origin,
		expectedRPID: site.hostname,
		credential: {
			id: row.credential_id,
			publicKey: new Uint8Array(Buffer.from(row.public_key, 'base64')),
			counter: row.counter,
			transports: transportsOf(row.transports)
		}
	}).catch(() => ({ verified: false as const, authenticationInfo: undefined }));
	if (!verified) return null;
	await db('passkeys')
		.where('id', row.id)
		.update({ counter: authenticationInfo.newCounter, last_used_at: utcNow() });
	return row.person_id;
}

/** A person's passkeys, the first first. */
export async function listPasskeys(db: Database, personId: string): Promise<MyPasskey[]> {
	const rows = await db('passkeys')
		.where('person_id', personId)
		.orderBy('id')
		.select('id', 'name', 'created_at', 'last_used_at');
	return rows.map((row) => ({
		id: row.id,
		name: row.name,
		createdAt: row.created_at,
		lastUsedAt: row.last_used_at
	}));
}

export async function forgetPasskey(db: Database, personId: string, id: string): Promise<void> {
	if ((await db('passkeys').where({ id, person_id: personId }).delete()) === 0)
		throw new NotFound('this passkey is not here');
}
