import { listen } from '$lib/server/bench/live.ts';
import { eventStream } from '$lib/server/event-stream.ts';
import type { RequestHandler } from './$types';

/** What happens at the kitchen's batches, as it happens. */
export const GET: RequestHandler = ({ locals: { kitchen } }) =>
	eventStream((send) => listen(kitchen.id, (news) => send(JSON.stringify(news))));
