import { download } from '$lib/server/edge/download.ts';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { whatIsMine } from '$lib/server/people/mine.ts';
import type { RequestHandler } from './$types';

/** All that is kept of who asks. */
export const GET: RequestHandler = ({ locals }) =>
	download(async () => ({
		name: 'what-is-mine.json',
		type: 'application/json',
		body: `${JSON.stringify(await whatIsMine(locals.db, whoIn(locals).personId), null, '\t')}\n`
	}));
