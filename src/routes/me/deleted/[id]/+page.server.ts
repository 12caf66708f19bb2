import { error } from '@sveltejs/kit';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { deletionsBy, deletionOf } from '$lib/server/life/remove.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params }) => {
	const mine = await deletionsBy(locals.db, whoIn(locals).personId);
	const deletion = mine.some(({ id }) => id === params.id) ? await deletionOf(locals.db, params.id) : null;
	if (!deletion)
		error(404, {
			message: 'You deleted no such kitchen.',
			remedy: 'What you deleted is listed on your own page.'
		});
	return { deletion };
};
