import { writeRecipe } from '$core/file/write.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { download } from '$lib/server/edge/download.ts';
import { fileName } from '$lib/server/files.ts';
import type { RequestHandler } from './$types';

/** The batch as a Square Batch file: its formula and what was measured. */
export const GET: RequestHandler = ({ locals: { db, kitchen }, params }) =>
	download(async () => {
		const batch = await getBatch(db, kitchen, params.id);
		return {
			name: fileName(`${batch.name} ${batch.code}`),
			type: 'application/json',
			body: writeRecipe(batch.recipe)
		};
	});
