import { notReady } from '$lib/server/seen/ready.ts';
import type { RequestHandler } from './$types';

/** Whether work can be sent here: the database takes writes. Why not is said in the answer. */
export const GET: RequestHandler = async ({ locals: { db } }) => {
	const why = await notReady(db);
	return new Response(why, {
		status: why === null ? 204 : 503,
		headers: { 'cache-control': 'no-store', 'content-type': 'text/plain; charset=utf-8' }
	});
};
