import { orNotFound } from '$lib/server/edge/actions.ts';
import { memberIn } from '$lib/server/edge/door/door.ts';
import { inspectedBatch } from '$lib/server/people/inspection.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params }) =>
	orNotFound(inspectedBatch(locals.db, locals.kitchen, memberIn(locals).span, params.id));
