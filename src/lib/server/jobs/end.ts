import type { JobOutcome } from '../../jobs/types.ts';
import type { Database } from '../db/connection.ts';
import { utcNow } from '../rows.ts';
import type { Taken } from './take.ts';

/** Says what came of a job; nothing where it was stopped, or another has it. */
export async function endJob(
	db: Database,
	job: Taken,
	state: 'done' | 'failed',
	outcome: JobOutcome
): Promise<boolean> {
	const ended = await db('jobs')
		.where({ id: job.id, taken_by: job.by })
		.update({
			state,
			taken_by: null,
			taken_until: null,
			outcome: JSON.stringify(outcome),
			ended_at: utcNow()
		});
	return ended === 1;
}
