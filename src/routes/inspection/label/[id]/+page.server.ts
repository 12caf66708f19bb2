import { orNotFound } from '$lib/server/edge/actions.ts';
import { memberIn } from '$lib/server/edge/door/door.ts';
import { inspectedLabel } from '$lib/server/people/inspection.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	orNotFound(inspectedLabel(locals.db, locals.kitchen, memberIn(locals).span, params.id));
