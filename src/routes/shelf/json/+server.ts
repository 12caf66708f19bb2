import { download } from '$lib/server/edge/download.ts';
import { may } from '$lib/server/edge/shapes.ts';
import { today } from '$lib/server/kitchens.ts';
import { shelfJson } from '$lib/server/shelf-file.ts';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ locals }) =>
	download(async () => ({
		name: `shelf-${today(locals.kitchen)}.json`,
		type: 'application/json',
		body: await shelfJson(locals.db, locals.kitchen, { withPrices: may(locals, 'costs') })
	}));
