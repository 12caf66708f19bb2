import { json } from '@sveltejs/kit';
import { comeIn } from '$lib/server/edge/door/come-in.ts';
import { passkeyAnswer } from '$lib/server/edge/passkey.ts';
import { refuse, Refused } from '$lib/server/errors.ts';
import { mayTry } from '$lib/server/people/limits.ts';
import { personByPasskey, signInOptions } from '$lib/server/people/passkeys.ts';
import type { RequestHandler } from './$types';

/** What a browser is to ask its authenticator for. */
export const GET: RequestHandler = async ({ locals: { db }, url }) => json(await signInOptions(db, url));

/** Comes in with what the authenticator answered. */
export const POST: RequestHandler = async (event) => {
	const { locals, request, url } = event;
	const response = passkeyAnswer(await request.json().catch(() => null));
	if (!response) return json({ message: 'this is no answer of a passkey' }, { status: 400 });
	try {
		const wasRight = await mayTry(locals.db, `passkey ${response.id}`, event.getClientAddress());
		const personId = await personByPasskey(locals.db, url, response);
		if (personId === null) refuse('', 'this passkey is not known here');
		else {
			await wasRight();
			await comeIn(event, { personId, cameBy: 'passkey' });
		}
		return json({ in: true });
	} catch (error) {
		if (error instanceof Refused) return json({ message: error.message }, { status: 400 });
		throw error;
	}
};
