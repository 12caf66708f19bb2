import { json } from '@sveltejs/kit';
import { orNotFound } from '$lib/server/edge/actions.ts';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { jobOf } from '$lib/server/jobs/jobs.ts';
import { isOfTheMoment } from '$lib/server/page.ts';
import type { RequestHandler } from './$types';

/** How far somebody's work is. */
export const GET: RequestHandler = async ({ locals, params }) => {
	isOfTheMoment(locals);
	return json(await orNotFound(jobOf(locals.db, whoIn(locals).personId, params.job)), {
		headers: { 'cache-control': 'no-store' }
	});
};
