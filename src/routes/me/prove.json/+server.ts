import { json } from '@sveltejs/kit';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { passkeyAnswer } from '$lib/server/edge/passkey.ts';
import { proofForm } from '$lib/server/edge/people.ts';
import { validated } from '$lib/server/edge/validated.ts';
import { refuse, Refused } from '$lib/server/errors.ts';
import { noteFailed } from '$lib/server/people/failed.ts';
import {
	canHavePasskeys,
	listPasskeys,
	passkeyOptions,
	personByPasskey
} from '$lib/server/people/passkeys.ts';
import { mustKnow, ownKeys } from '$lib/server/people/persons.ts';
import { isProved, noteProof } from '$lib/server/people/proof.ts';
import type { RequestHandler } from './$types';

/** Whether who asks has proved lately who they are, and by what they can; with `?passkey` what one is asked for. */
export const GET: RequestHandler = async ({ locals, url }) => {
	const { db } = locals;
	const who = whoIn(locals);
	if (url.searchParams.has('passkey')) {
		const ceremony = { name: 'prove', givenTo: who.session.id } as const;
		return json(await passkeyOptions(db, url, ceremony, who.personId));
	}
	const [keys, passkeys] = await Promise.all([ownKeys(db, who.personId), listPasskeys(db, who.personId)]);
	return json({
		isProved: isProved(who),
		hasPassword: keys.hasPassword,
		hasPasskey: canHavePasskeys(url) && passkeys.length > 0
	});
};

/** Takes a proof: the password, or what a passkey answered. */
export const POST: RequestHandler = async (event) => {
	const { locals, request, url } = event;
	const { db } = locals;
	const { personId, session } = whoIn(locals);
	const from = event.getClientAddress();
	const given = (await request.json().catch(() => null)) as unknown;
	try {
		const answer = passkeyAnswer(given);
		if (answer) {
			const ceremony = { name: 'prove', givenTo: session.id } as const;
			if ((await personByPasskey(db, url, answer, ceremony)) !== personId) {
				noteFailed(db, { by: 'confirm', from, personId });
				refuse('', 'this passkey is none of yours');
			}
		} else {
			const { value } = validated(proofForm, given);
			if (!value) return json({ message: 'type your password' }, { status: 400 });
			await mustKnow(db, personId, value.now, { sessionId: session.id, from });
		}
		await noteProof(db, session.id);
		return json({ isProved: true });
	} catch (error) {
		if (error instanceof Refused) return json({ message: error.message }, { status: 400 });
		throw error;
	}
};
