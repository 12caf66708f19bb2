import { download } from '$lib/server/edge/download.ts';
import { refuse } from '$lib/server/errors.ts';
import { labelPrinter } from '$lib/server/print/printer.ts';
import type { RequestHandler } from './$types';

/** What the label printer kept of a job. */
export const GET: RequestHandler = ({ params }) =>
	download(async () => {
		const printer = labelPrinter();
		if (!printer) return refuse('', 'there is no label printer');
		if (!/^[0-9A-Z]{26}$/.test(params.job)) refuse('', 'the label printer does not know this');
		return { name: `${params.job}.pdf`, type: 'application/pdf', body: await printer.kept(params.job) };
	});
