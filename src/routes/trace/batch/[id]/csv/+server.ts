import { download } from '$lib/server/edge/download.ts';
import { NotFound } from '$lib/server/errors.ts';
import { recallCsv } from '$lib/server/trace/csv.ts';
import { tracedBatches } from '$lib/server/trace/forward.ts';
import type { RequestHandler } from './$types';

/** Where the packs of a batch went, as CSV. */
export const GET: RequestHandler = ({ locals: { db, kitchen }, params }) =>
	download(async () => {
		const batches = await tracedBatches(db, kitchen.id, [params.id], new Map());
		const [batch] = batches;
		if (!batch) throw new NotFound('this batch is not here');
		return {
			name: `recall ${batch.code}.csv`,
			type: 'text/csv; charset=utf-8',
			body: recallCsv([{ certainty: 'holds it', batches }])
		};
	});
