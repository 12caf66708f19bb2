import type { JobOutcome } from '../../jobs/types.ts';
import type { Hands } from './hands.ts';
import { dropParts, PartsWriter } from './parts.ts';
import { stillHas } from './take.ts';

/** Puts a file down as what a job gives, from its beginning; `write` writes its bytes. */
export async function giveFile(
	{ db, job, signal }: Hands,
	{ name, type }: { name: string; type: string },
	write: (parts: PartsWriter) => Promise<void>
): Promise<JobOutcome> {
	await dropParts(db, job.id, 'out');
	const of = { kitchenId: job.kitchenId, jobId: job.id, side: 'out' } as const;
	const parts = new PartsWriter(db, of, (transaction) => stillHas(transaction, job));
	await write(parts);
	signal.throwIfAborted();
	await parts.end();
	return { file: { name, type, bytes: parts.bytes } };
}
