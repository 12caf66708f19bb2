import { archiveOf } from '$lib/server/archive/beside.ts';
import { fileName } from '$lib/server/files.ts';
import { today } from '$lib/server/kitchens.ts';
import type { RequestHandler } from './$types';

/** Everything of the kitchen as one archive; customers' names where they are asked for. */
export const GET: RequestHandler = ({ locals: { db, kitchen }, url }) =>
	new Response(archiveOf(db, kitchen.id, url.searchParams.get('customers') === 'yes'), {
		headers: {
			'content-type': 'application/zip',
			'content-disposition': `attachment; filename="${fileName(`${kitchen.name} ${today(kitchen)}`, '.zip')}"`
		}
	});
