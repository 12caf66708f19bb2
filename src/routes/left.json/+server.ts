import { json } from '@sveltejs/kit';
import { memberIn } from '$lib/server/edge/door/door.ts';
import { leaveForm } from '$lib/server/edge/left.ts';
import { validated } from '$lib/server/edge/validated.ts';
import { Refused } from '$lib/server/errors.ts';
import { leave, whose } from '$lib/server/left/leave.ts';
import type { RequestHandler } from './$types';

const MOST = 50;

/** Of those whose entries wait on this device: who they are, and whether they can still send them themselves. */
export const GET: RequestHandler = async ({ locals: { db, kitchen }, url }) =>
	json({ whose: await whose(db, kitchen, (url.searchParams.get('of') ?? '').split(',').slice(0, MOST)) });

/** Takes over what this device cannot hand in: it waits for the owner. */
export const POST: RequestHandler = async ({ locals, request }) => {
	const { error, value } = validated(leaveForm, await request.json().catch(() => null));
	if (error) return json({ message: error.message }, { status: 400 });
	try {
		await leave(locals.db, locals.kitchen, memberIn(locals).id, value);
		return json({ left: true });
	} catch (refused) {
		if (!(refused instanceof Refused)) throw refused;
		return json({ message: refused.message }, { status: 400 });
	}
};
