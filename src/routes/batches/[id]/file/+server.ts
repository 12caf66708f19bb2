import { batchFor } from '$lib/server/edge/shapes.ts';
import { writeRecipe } from '$core/file/write.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { download } from '$lib/server/edge/download.ts';
import { fileName } from '$lib/server/files.ts';
import type { RequestHandler } from './$types';

/** The batch as a Square Batch file: its formula and what was measured. */
export const GET: RequestHandler = ({ locals, params }) =>
	download(async () => {
		const batch = batchFor(locals, await getBatch(locals.db, locals.kitchen, params.id));
		return {
			name: fileName(`${batch.name} ${batch.code}`),
			type: 'application/json',
			body: writeRecipe(batch.recipe)
		};
	});
