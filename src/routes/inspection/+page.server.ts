import { memberIn } from '$lib/server/edge/door/door.ts';
import { inspected } from '$lib/server/people/inspection.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	inspected(locals.db, locals.kitchen, memberIn(locals).span);
