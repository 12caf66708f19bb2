import { getBatch } from '$lib/server/batches/read.ts';
import { download } from '$lib/server/edge/download.ts';
import { recordPdf } from '$lib/server/print/record.ts';
import type { RequestHandler } from './$types';

/** Where a figure of the batch comes from, on one page. */
export const GET: RequestHandler = ({ locals: { db, kitchen }, params, url }) =>
	download(async () => {
		const { name, code, recipe, facts, sources } = await getBatch(db, kitchen, params.id);
		return recordPdf(
			kitchen,
			`${name}, batch ${code}`,
			recipe,
			facts,
			sources,
			url.searchParams.get('figure') ?? ''
		);
	});
