import { download } from '$lib/server/edge/download.ts';
import { getLot } from '$lib/server/lots/read.ts';
import { recallCsv } from '$lib/server/trace/csv.ts';
import { traceLot } from '$lib/server/trace/forward.ts';
import type { RequestHandler } from './$types';

/** Where a lot went, as CSV. */
export const GET: RequestHandler = ({ locals: { db, kitchen }, params }) =>
	download(async () => {
		const lot = await getLot(db, kitchen.id, params.id);
		const { batches, possible } = await traceLot(db, kitchen.id, lot.id);
		return {
			name: `recall ${lot.code}.csv`,
			type: 'text/csv; charset=utf-8',
			body: recallCsv([
				{ certainty: 'holds it', batches },
				{ certainty: 'may hold it', batches: possible }
			])
		};
	});
