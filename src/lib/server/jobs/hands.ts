import type { JobOutcome } from '../../jobs/types.ts';
import type { Database } from '../db/connection.ts';
import type { Taken } from './take.ts';

/** What does a kind of work has of the job it works at. */
export interface Hands {
	db: Database;
	job: Taken;
	/** Says how far it is. */
	tell(done: number, of: number | null): void;
	/** Aborted where the job was stopped, or another process has it: what is done from then on counts for nothing. */
	signal: AbortSignal;
}

/** Does a kind of work from its beginning: what an earlier try left is its to clear. Throws `Refused` with why it cannot be. */
export type Doing = (hands: Hands) => Promise<JobOutcome>;
