import { archiveOf } from '../../archive/beside.ts';
import { fileName } from '../../files.ts';
import { getKitchen, today } from '../../kitchens.ts';
import { PartsWriter, dropParts } from '../parts.ts';
import type { Doing } from '../hands.ts';
import { stillHas } from '../take.ts';

/** What an archive is asked for with. */
export interface ArchiveAsked {
	withCustomers: boolean;
}

/** Everything of a kitchen as a file to take. */
export const archive: Doing = async ({ db, job, tell, signal }) => {
	const { withCustomers } = JSON.parse(job.asked) as ArchiveAsked;
	const kitchen = await getKitchen(db, job.kitchenId);
	await dropParts(db, job.id, 'out');
	const of = { kitchenId: kitchen.id, jobId: job.id, side: 'out' } as const;
	const parts = new PartsWriter(db, of, (transaction) => stillHas(transaction, job));
	const reader = archiveOf(db, kitchen.id, withCustomers).getReader();
	const stop = () => void reader.cancel();
	signal.addEventListener('abort', stop);
	try {
		for (let next = await reader.read(); !next.done; next = await reader.read()) {
			await parts.write(next.value);
			tell(parts.bytes, null);
		}
	} finally {
		signal.removeEventListener('abort', stop);
	}
	signal.throwIfAborted();
	await parts.end();
	const name = fileName(`${kitchen.name} ${today(kitchen)}`, '.zip');
	return { file: { name, type: 'application/zip', bytes: parts.bytes } };
};
