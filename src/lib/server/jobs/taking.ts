import type { Database } from '../db/connection.ts';
import { log, logged } from '../edge/log.ts';
import { forgetOldJobs } from './jobs.ts';
import { runNextJob } from './run.ts';

/** One small query so often, and at once where this process was asked itself. */
const EVERY_MS = 1000;
/** Of all work at one process: each has a worker of its own, beside the pages that are answered. */
const AT_ONCE = 2;
/** What is old is looked for now and then. */
const FORGET_EVERY_MS = 600_000;

let running = 0;
let timer: ReturnType<typeof setTimeout> | undefined;
let begun: Database | null = null;
let forgotten = 0;
const ending = new AbortController();
const atWork = new Set<Promise<void>>();

/** From now on this process takes work that waits, until it is asked to end. */
export function takeJobs(db: Database): void {
	if (begun) return;
	begun = db;
	// What serves the build says so before it goes.
	process.once('sveltekit:shutdown', () => void letGoOfJobs());
	look();
}

/** Looks at once: something was asked for here. */
export function lookForJobs(): void {
	if (begun) look();
}

/** Takes nothing more, and leaves what it is at to another process. */
export async function letGoOfJobs(): Promise<void> {
	ending.abort(new Error('the process ends'));
	clearTimeout(timer);
	await Promise.allSettled(atWork);
}

function look(): void {
	clearTimeout(timer);
	if (!begun || ending.signal.aborted) return;
	timer = setTimeout(look, EVERY_MS);
	timer.unref();
	if (running >= AT_ONCE) return;
	const work = takeAndDo(begun);
	atWork.add(work);
	void work.finally(() => atWork.delete(work));
}

async function takeAndDo(db: Database): Promise<void> {
	running++;
	try {
		if (Date.now() - forgotten > FORGET_EVERY_MS) {
			forgotten = Date.now();
			await forgetOldJobs(db);
		}
		while (!ending.signal.aborted && (await runNextJob(db, ending.signal)));
	} catch (error) {
		// The database is away for a moment: it is looked again.
		log.warn({ error: logged(error) }, 'work could not be looked for');
	} finally {
		running--;
	}
}
