import type { RequestHandler } from './$types';

/** Says that the server can be asked. */
export const GET: RequestHandler = () =>
	new Response(null, { status: 204, headers: { 'cache-control': 'no-store' } });
