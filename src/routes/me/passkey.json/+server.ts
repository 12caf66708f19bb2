import { json } from '@sveltejs/kit';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { passkeyMade } from '$lib/server/edge/passkey.ts';
import { Refused } from '$lib/server/errors.ts';
import { addPasskey, registrationOptions } from '$lib/server/people/passkeys.ts';
import type { RequestHandler } from './$types';

/** What a browser is to ask its authenticator for. */
export const GET: RequestHandler = async ({ locals, url }) => {
	const { personId, name, login, session } = whoIn(locals);
	const person = { id: personId, name, login: login ?? name };
	return json(await registrationOptions(locals.db, url, person, session.id));
};

/** Adds the passkey it made. */
export const POST: RequestHandler = async ({ locals, url, request }) => {
	const made = passkeyMade(await request.json().catch(() => null));
	if (!made) return json({ message: 'this is no passkey' }, { status: 400 });
	try {
		const { personId, session } = whoIn(locals);
		await addPasskey(locals.db, url, { personId, sessionId: session.id }, made);
		return json({ added: true });
	} catch (error) {
		if (error instanceof Refused) return json({ message: error.message }, { status: 400 });
		throw error;
	}
};
