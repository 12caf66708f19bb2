import { orNotFound } from '$lib/server/edge/actions.ts';
import { tracedPage } from '$lib/server/trace/back.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals: { db, kitchen }, params }) =>
	orNotFound(tracedPage(db, kitchen, params.id));
