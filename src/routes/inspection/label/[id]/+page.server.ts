import { orNotFound } from '$lib/server/edge/actions.ts';
import { inspectedLabel } from '$lib/server/people/inspection.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals: { db, kitchen }, params }) =>
	orNotFound(inspectedLabel(db, kitchen, params.id));
