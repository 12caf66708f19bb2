import { download } from '$lib/server/edge/download.ts';
import { today } from '$lib/server/kitchens.ts';
import { shelfCsv } from '$lib/server/shelf-file.ts';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ locals: { db, kitchen } }) =>
	download(async () => ({
		name: `shelf-${today(kitchen)}.csv`,
		type: 'text/csv',
		body: await shelfCsv(db, kitchen)
	}));
