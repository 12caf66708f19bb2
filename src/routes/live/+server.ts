import { newsFor } from '$lib/server/edge/shapes.ts';
import { listen } from '$lib/server/feed/listen.ts';
import { streamWhileAllowed } from '$lib/server/edge/door/while-allowed.ts';
import type { RequestHandler } from './$types';

/** What happens at the kitchen's batches, as it happens. */
export const GET: RequestHandler = (event) => {
	const { locals } = event;
	return streamWhileAllowed(event, 'hear', (send) =>
		listen(locals.db, locals.kitchen.id, (news) => {
			if (!news.access) send(JSON.stringify(newsFor(locals, news)));
		})
	);
};
