import { notFoundPage } from '$lib/server/edge/actions.ts';
import { shelfPicture } from '$lib/server/labels/shelf-tests.ts';
import type { RequestHandler } from './$types';

/** A picture of a shelf-life test. It never changes, so a browser keeps it. */
export const GET: RequestHandler = async ({ locals: { db, kitchen }, params }) => {
	const jpeg = await shelfPicture(db, kitchen.id, params.id, params.picture).catch(notFoundPage);
	return new Response(jpeg, {
		headers: {
			'content-type': 'image/jpeg',
			'x-content-type-options': 'nosniff',
			'cache-control': 'private, max-age=31536000, immutable'
		}
	});
};
