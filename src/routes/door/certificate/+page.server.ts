import { error } from '@sveltejs/kit';
import { reach } from '$lib/server/edge/door/reach.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = () => {
	const { authority } = reach();
	if (authority === null)
		error(404, {
			message: 'No certificate was made here.',
			remedy: 'Start Square Batch with: npm start -- --lan'
		});
	return { fingerprint: authority };
};
