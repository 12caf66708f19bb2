import { claimText } from '$core/practice/slips.ts';
import { orNotFound } from '$lib/server/edge/actions.ts';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { finishedTry } from '$lib/server/practice/tries.ts';
import { newId } from '$lib/server/rows.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params }) => {
	const finished = await orNotFound(finishedTry(locals.db, whoIn(locals).personId, params.id));
	return { finished, said: finished.claims.map(claimText), nextId: newId() };
};
