import { validated } from '$lib/server/edge/validated.ts';
import { tareForm } from '$lib/server/edge/kitchen.ts';
import { json } from '@sveltejs/kit';
import { orNotFound } from '$lib/server/edge/actions.ts';
import { rememberTare } from '$lib/server/equipment.ts';
import type { RequestHandler } from './$types';

/** Remembers what an empty container weighs, from the scale it stands on. */
export const POST: RequestHandler = async ({ locals: { db, kitchen }, request }) => {
	const { error, value } = validated(tareForm, await request.json().catch(() => null), { convert: false });
	if (error) return json({ message: error.message }, { status: 400 });
	await orNotFound(rememberTare(db, kitchen.id, value.id, value.tare_g));
	return json({ kept: true });
};
