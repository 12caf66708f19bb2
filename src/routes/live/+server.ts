import { listen } from '$lib/server/feed/listen.ts';
import { eventStream } from '$lib/server/event-stream.ts';
import type { RequestHandler } from './$types';

/** What happens at the kitchen's batches, as it happens. */
export const GET: RequestHandler = ({ locals: { db, kitchen } }) =>
	eventStream((send) => listen(db, kitchen.id, (news) => send(JSON.stringify(news))));
