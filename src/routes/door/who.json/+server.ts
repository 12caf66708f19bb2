import { json } from '@sveltejs/kit';
import { atDevice, comeByCode } from '$lib/server/edge/door/by-code.ts';
import { codeForm } from '$lib/server/edge/people.ts';
import { validated } from '$lib/server/edge/validated.ts';
import { Refused } from '$lib/server/errors.ts';
import { lockSession } from '$lib/server/people/sessions.ts';
import type { RequestHandler } from './$types';

/** Who can come in at this device by a short code. */
export const GET: RequestHandler = async (event) => json(await atDevice(event));

/** Locks the device: who is in has to come in again. */
export const PUT: RequestHandler = async ({ locals }) => {
	if (locals.who) await lockSession(locals.db, locals.who);
	return json({ locked: true });
};

/** Comes in by a short code; whoever was in before is not any more. */
export const POST: RequestHandler = async (event) => {
	const { value } = validated(codeForm, await event.request.json().catch(() => null));
	if (!value) return json({ message: 'choose who you are and type your code' }, { status: 400 });
	try {
		await comeByCode(event, value);
		return json({ in: true });
	} catch (error) {
		if (error instanceof Refused) return json({ message: error.message }, { status: 400 });
		throw error;
	}
};
