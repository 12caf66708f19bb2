import { download } from '$lib/server/edge/download.ts';
import { refuse } from '$lib/server/errors.ts';
import { wasPrinted } from '$lib/server/labels/print-jobs.ts';
import { labelPrinter } from '$lib/server/print/printer.ts';
import type { RequestHandler } from './$types';

/** What the label printer kept of a job. */
export const GET: RequestHandler = ({ params, locals: { db, kitchen } }) =>
	download(async () => {
		const printer = labelPrinter();
		if (!printer) return refuse('', 'there is no label printer');
		await wasPrinted(db, kitchen.id, params.job);
		return { name: `${params.job}.pdf`, type: 'application/pdf', body: await printer.kept(params.job) };
	});
