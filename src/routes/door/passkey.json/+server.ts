import { json } from '@sveltejs/kit';
import { giveCeremony, takeCeremony } from '$lib/server/edge/door/cookies.ts';
import { comeIn } from '$lib/server/edge/door/come-in.ts';
import { passkeyAnswer } from '$lib/server/edge/passkey.ts';
import { refuse, Refused } from '$lib/server/errors.ts';
import { mayTry } from '$lib/server/people/limits.ts';
import { noteFailed } from '$lib/server/people/failed.ts';
import { passkeyOptions, personByPasskey, personSaidBy } from '$lib/server/people/passkeys.ts';
import { newToken } from '$lib/server/people/secrets.ts';
import type { RequestHandler } from './$types';

/** What a browser is to ask its authenticator for. */
export const GET: RequestHandler = async ({ locals: { db }, url, cookies }) => {
	const givenTo = newToken();
	giveCeremony(cookies, url, givenTo);
	return json(await passkeyOptions(db, url, { name: 'come in', givenTo }));
};

/** Comes in with what the authenticator answered. */
export const POST: RequestHandler = async (event) => {
	const { locals, request, url, cookies } = event;
	const { db } = locals;
	const from = event.getClientAddress();
	const ceremony = { name: 'come in', givenTo: takeCeremony(cookies, url) } as const;
	const response = passkeyAnswer(await request.json().catch(() => null));
	if (!response) return json({ message: 'this is no answer of a passkey' }, { status: 400 });
	try {
		const wasRight = await mayTry(db, { by: 'passkey', of: response.id, from });
		const personId = await personByPasskey(db, url, response, ceremony);
		if (personId === null) {
			noteFailed(db, { by: 'passkey', from, personId: await personSaidBy(db, response) });
			refuse('', 'this passkey is not known here');
		} else {
			await wasRight();
			await comeIn(event, { personId, cameBy: 'passkey' });
		}
		return json({ in: true });
	} catch (error) {
		if (error instanceof Refused) return json({ message: error.message }, { status: 400 });
		throw error;
	}
};
