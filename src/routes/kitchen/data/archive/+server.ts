import { archiveOf } from '$lib/server/archive/beside.ts';
import { fileName } from '$lib/server/files.ts';
import { today } from '$lib/server/kitchens.ts';
import type { RequestHandler } from './$types';

/** Everything of the kitchen as one archive. */
export const GET: RequestHandler = ({ locals: { db, kitchen } }) =>
	new Response(archiveOf(db, kitchen.id), {
		headers: {
			'content-type': 'application/zip',
			'content-disposition': `attachment; filename="${fileName(`${kitchen.name} ${today(kitchen)}`, '.zip')}"`
		}
	});
