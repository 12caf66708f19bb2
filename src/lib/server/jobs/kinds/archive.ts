import { archiveOf } from '../../archive/beside.ts';
import { fileName } from '../../files.ts';
import { usageOf } from '../../life/limits.ts';
import { requireRoom } from '../../room.ts';
import { getKitchen, today } from '../../kitchens.ts';
import { giveFile } from '../file.ts';
import type { Doing } from '../hands.ts';

/** What an archive is asked for with. */
export interface ArchiveAsked {
	withCustomers: boolean;
}

/** Everything of a kitchen as a file to take. */
export const archive: Doing = async (hands) => {
	const { db, job, tell, signal } = hands;
	const { withCustomers } = JSON.parse(job.asked) as ArchiveAsked;
	const kitchen = await getKitchen(db, job.kitchenId);
	// What it takes at most: rows as text, compressed, are less than they are in the database.
	const usage = await usageOf(db, kitchen.id);
	if (usage) requireRoom(usage.bytes);
	const name = fileName(`${kitchen.name} ${today(kitchen)}`, '.zip');
	return giveFile(hands, { name, type: 'application/zip' }, async (parts) => {
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
	});
};
