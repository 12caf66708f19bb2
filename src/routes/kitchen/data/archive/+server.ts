import { writeArchive } from '$lib/server/archive/write.ts';
import { fileName } from '$lib/server/files.ts';
import { today } from '$lib/server/kitchens.ts';
import type { RequestHandler } from './$types';

/** Everything of the kitchen as one archive. */
export const GET: RequestHandler = ({ locals: { db, kitchen } }) =>
	new Response(writeArchive(db, kitchen, new Date()), {
		headers: {
			'content-type': 'application/zip',
			'content-disposition': `attachment; filename="${fileName(`${kitchen.name} ${today(kitchen)}`, '.zip')}"`
		}
	});
