import { plural } from '../../../format.ts';
import { whileActing } from '../../db/acting.ts';
import { getKitchen } from '../../kitchens.ts';
import { importPastSales, type PastOptions } from '../../sales/past/import.ts';
import type { Doing } from '../hands.ts';
import { readParts } from '../parts.ts';

/** How a file of past sales is to be brought in; the file itself is what the job is given. */
export interface SalesImportAsked {
	options: PastOptions;
	lines: number[];
	membershipId: string;
}

/** Brings past sales in, all of the chosen rows or none: begun again after it was done, it finds that it was. */
export const salesImport: Doing = async ({ db, job, tell, signal }) => {
	const { options, lines, membershipId } = JSON.parse(job.asked) as SalesImportAsked;
	const kitchen = await getKitchen(db, job.kitchenId);
	const pieces: Uint8Array[] = [];
	for await (const piece of readParts(db, { kitchenId: kitchen.id, jobId: job.id, side: 'in' }))
		pieces.push(piece);
	const text = Buffer.concat(pieces).toString('utf8');
	const by = {
		kitchenId: kitchen.id,
		membershipId,
		deviceId: null,
		what: 'brought in past sales',
		path: '/sales/import',
		ofWhat: () => Promise.resolve('')
	};
	const done = await whileActing(by, () =>
		importPastSales(db, kitchen, text, options, new Set(lines), job.id, (rows) => {
			signal.throwIfAborted();
			tell(rows, lines.length);
		})
	);
	return {
		said:
			done.rows === 0
				? 'These rows are here already: nothing was brought in twice.'
				: `${plural(done.rows, 'row')} brought in, ${plural(done.packs, 'pack')}.`
	};
};
