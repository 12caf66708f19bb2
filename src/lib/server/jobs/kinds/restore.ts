import { createWriteStream } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { restoreFrom } from '../../archive/beside.ts';
import { refuse } from '../../errors.ts';
import { requireRoom } from '../../room.ts';
import { removeUnfinished } from '../../life/unfinished.ts';
import { own } from '../../people/own-kitchen.ts';
import { temporaryFolder } from '../../temporary.ts';
import { dropParts, readParts } from '../parts.ts';
import type { Doing } from '../hands.ts';

/** By what name whoever brings it in is known in it. */
export interface RestoreAsked {
	name: string;
}

/**
 * Brings an archive in, part by part; nobody sees any of it before all of it is there. Whatever ends it before, what
 * came in is taken away again, at the latest by whoever takes the job up. Whoever brought it in owns it.
 */
export const restore: Doing = async ({ db, job, tell, signal }) => {
	const { name } = JSON.parse(job.asked) as RestoreAsked;
	const { folder, remove } = await temporaryFolder();
	await removeUnfinished(db);
	let isDone = false;
	try {
		const path = join(folder, 'sent');
		const parts = readParts(db, { kitchenId: job.kitchenId, jobId: job.id, side: 'in' });
		await pipeline(Readable.from(parts), createWriteStream(path));
		const outcome = await restoreFrom(
			db,
			path,
			({ done, of }) => {
				requireRoom(0);
				tell(done, of);
			},
			signal
		);
		if ('problem' in outcome) return refuse('', outcome.problem);
		// Nobody of the archive belongs to anything here: who brought it in does.
		await own(db, outcome.restored, { personId: job.personId, name });
		isDone = true;
		await dropParts(db, job.id, 'in');
		return { kitchenId: outcome.restored };
	} finally {
		remove();
		if (!isDone) await removeUnfinished(db);
	}
};
