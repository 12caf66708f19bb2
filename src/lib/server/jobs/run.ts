import type { JobKind, JobOutcome } from '../../jobs/types.ts';
import type { Database } from '../db/connection.ts';
import { log, logged } from '../edge/log.ts';
import { Refused } from '../errors.ts';
import { utcNow } from '../rows.ts';
import { jobsRunning } from '../seen/metrics.ts';
import { endJob } from './end.ts';
import type { Doing } from './hands.ts';
import { mayStillHave } from './may-still.ts';
import { dropParts } from './parts.ts';
import { archive } from './kinds/archive.ts';
import { labels } from './kinds/labels.ts';
import { remove } from './kinds/remove.ts';
import { restore } from './kinds/restore.ts';
import { salesImport } from './kinds/sales-import.ts';
import { giveBack, holdOn, MOST_TRIES, takeJob, type Taken } from './take.ts';

const DOING: Readonly<Record<JobKind, Doing>> = {
	archive,
	restore,
	labels,
	'sales import': salesImport,
	remove
};

/** Who has a job says so this often: several times in the time it is held. */
const HOLD_EVERY_MS = 500;

/** Takes a job and does it to its end; false where there was none. `ending` has it given back. */
export async function runNextJob(db: Database, ending: AbortSignal = NEVER): Promise<boolean> {
	const job = await takeJob(db);
	if (!job) return false;
	jobsRunning.inc();
	try {
		await run(db, job, ending);
	} finally {
		jobsRunning.dec();
	}
	return true;
}

const NEVER = new AbortController().signal;

async function run(db: Database, job: Taken, ending: AbortSignal): Promise<void> {
	if (job.tries > MOST_TRIES) {
		await fail(
			db,
			job,
			`this was begun ${MOST_TRIES} times and never came to its end: what does it is in trouble`
		);
		return;
	}
	const lost = new AbortController();
	const signal = AbortSignal.any([lost.signal, ending]);
	let far: { done: number; of: number | null } = { done: 0, of: null };
	const holding = setInterval(() => {
		// A database that is away for a moment takes no job away: it is held until its time is over.
		hold(db, job, far).then(
			(isHeld) => isHeld || lost.abort(new Error('stopped')),
			(error: unknown) => log.warn({ error: logged(error) }, 'a job could not be held')
		);
	}, HOLD_EVERY_MS);
	try {
		const outcome = await DOING[job.kind]({
			db,
			job,
			signal,
			tell: (done, of) => (far = { done, of })
		});
		clearInterval(holding);
		await hold(db, job, far);
		if (!(await endJob(db, job, 'done', outcome))) await stoppedTooLate(db, job, outcome);
	} catch (error) {
		clearInterval(holding);
		if (ending.aborted) await giveBack(db, job);
		else if (lost.signal.aborted) await clear(db, job);
		else await failed(db, job, error);
	} finally {
		clearInterval(holding);
	}
}

/** Whether a job goes on here: it is held still, and who asked for it may still have it; where not it is stopped. */
async function hold(db: Database, job: Taken, far: { done: number; of: number | null }): Promise<boolean> {
	if (!(await holdOn(db, job, far))) return false;
	if (await mayStillHave(db, job)) return true;
	await db('jobs')
		.where({ id: job.id, state: 'running' })
		.update({ state: 'stopped', taken_by: null, taken_until: null, ended_at: utcNow() });
	return false;
}

/** Stopped when all of it was done: what it gave is dropped; what is in the kitchen is there, and said to be. */
async function stoppedTooLate(db: Database, job: Taken, outcome: JobOutcome): Promise<void> {
	if (outcome.file) await dropParts(db, job.id);
	else
		await db('jobs')
			.where({ id: job.id, state: 'stopped' })
			.update({ state: 'done', outcome: JSON.stringify(outcome) });
}

/** Of a job that was stopped; one that another took up is the other's. */
async function clear(db: Database, job: Taken): Promise<void> {
	const stopped = await db('jobs').where({ id: job.id, state: 'stopped' }).first('id');
	if (stopped) await dropParts(db, job.id);
}

async function failed(db: Database, job: Taken, error: unknown): Promise<void> {
	if (error instanceof Refused) {
		await fail(db, job, error.message);
		return;
	}
	log.error({ job: job.id, kind: job.kind, error: logged(error) }, 'a job failed');
	await fail(
		db,
		job,
		`something failed on the server, and nothing was changed: look for ${job.id} in what it printed`
	);
}

async function fail(db: Database, job: Taken, problem: string): Promise<void> {
	if (await endJob(db, job, 'failed', { problem })) await dropParts(db, job.id);
}
