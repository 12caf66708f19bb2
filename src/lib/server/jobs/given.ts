import type { Database } from '../db/connection.ts';
import { allCame, askJob, type Asking } from './jobs.ts';
import { dropParts, PartsWriter } from './parts.ts';

/**
 * Puts a job down with what it is given, piece by piece as it comes; it is taken once all of it is there. Sent again, it
 * is the job it was. Where what comes breaks off nothing is left of it.
 */
export async function askJobWith(
	db: Database,
	asking: Asking,
	pieces: AsyncIterable<Uint8Array> | Iterable<Uint8Array>
): Promise<void> {
	const { id, kitchenId } = asking;
	if (await db('jobs').where('id', id).first('id')) return;
	await askJob(db, { ...asking, isComing: true });
	try {
		const parts = new PartsWriter(db, { kitchenId, jobId: id, side: 'in' });
		for await (const piece of pieces) await parts.write(piece);
		await parts.end();
	} catch (error) {
		await dropParts(db, id);
		await db('jobs').where({ id, state: 'coming' }).delete();
		throw error;
	}
	await allCame(db, id);
}
