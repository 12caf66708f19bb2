import { json } from '@sveltejs/kit';
import { orNotFound } from '$lib/server/edge/actions.ts';
import { moveForm } from '$lib/server/edge/practice.ts';
import { validated } from '$lib/server/edge/validated.ts';
import { Refused } from '$lib/server/errors.ts';
import { handsNow, moveHands } from '$lib/server/practice/hands.ts';
import type { RequestHandler } from './$types';

/** What hands can do in the story's kitchen, and what was seen last. */
export const GET: RequestHandler = async ({ locals: { db, kitchen } }) =>
	json(await orNotFound(handsNow(db, kitchen.id)));

/** A move of the hands; what is seen after it. */
export const POST: RequestHandler = async ({ locals: { db, kitchen }, request }) => {
	const { error, value } = validated(moveForm, await request.json().catch(() => null), { convert: false });
	if (error) return json({ message: error.message }, { status: 400 });
	try {
		return json(await orNotFound(moveHands(db, kitchen.id, value)));
	} catch (problem) {
		if (!(problem instanceof Refused)) throw problem;
		return json({ message: problem.problems[0]?.message ?? '' }, { status: 400 });
	}
};
