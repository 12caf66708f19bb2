import { proxy } from 'comlink';
import { urlOf, type Database } from '../db/connection.ts';
import { refuse } from '../errors.ts';
import { removeUnfinished } from '../life/unfinished.ts';
import { inWorker } from '../workers/worker.ts';
import type { Progress } from './insert.ts';
import type { Restored, restoring } from './restoring.ts';
import type { writing } from './writing.ts';

// Archives are read and written beside the server, which goes on answering meanwhile.

/** So much of an archive waits for who takes it, before more is written. */
const AHEAD_BYTES = 1024 * 1024;

let isRestoring = false;

/** Brings in the archive that lies at `path`. Stopped by `signal`, nothing of it stays. Throws `Refused`. */
export async function restoreFrom(
	db: Database,
	path: string,
	tell: (progress: Progress) => void,
	signal: AbortSignal
): Promise<Restored> {
	// Two at once could be of one kitchen, and an older one is lifted in a place of its own.
	if (isRestoring) refuse('', 'another archive is being restored: wait until it is done');
	isRestoring = true;
	try {
		return await inWorker<typeof restoring, Restored>(
			'restore an archive',
			async (worker) => worker.restore(path, urlOf(db), proxy(tell)),
			{ signal }
		);
	} catch (error) {
		// A worker that was ended took nothing back itself.
		await removeUnfinished(db);
		throw error;
	} finally {
		isRestoring = false;
	}
}

/** Everything of a kitchen as one archive, written as fast as it is taken; customers' names only where asked for. */
export function archiveOf(
	db: Database,
	kitchenId: string,
	withCustomers: boolean
): ReadableStream<Uint8Array<ArrayBuffer>> {
	const stop = new AbortController();
	let wanted = () => {};
	return new ReadableStream<Uint8Array<ArrayBuffer>>(
		{
			start(controller) {
				const give = async (piece: Uint8Array<ArrayBuffer>) => {
					const room = new Promise<void>((resolve) => (wanted = resolve));
					controller.enqueue(piece);
					if ((controller.desiredSize ?? 0) <= 0) await room;
				};
				inWorker<typeof writing, undefined>(
					'write an archive',
					(worker) => worker.write(kitchenId, urlOf(db), withCustomers, proxy(give)),
					stop
				)
					.then(() => controller.close())
					.catch((error: unknown) => {
						if (!stop.signal.aborted) controller.error(error);
					});
			},
			pull: () => wanted(),
			cancel: () => stop.abort()
		},
		{ highWaterMark: AHEAD_BYTES, size: ({ byteLength }) => byteLength }
	);
}
