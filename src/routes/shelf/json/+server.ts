import { download } from '$lib/server/edge/download.ts';
import { today } from '$lib/server/kitchens.ts';
import { shelfJson } from '$lib/server/shelf-file.ts';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ locals: { db, kitchen } }) =>
	download(async () => ({
		name: `shelf-${today(kitchen)}.json`,
		type: 'application/json',
		body: await shelfJson(db, kitchen)
	}));
