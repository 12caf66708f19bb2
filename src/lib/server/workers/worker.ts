import { Worker } from 'node:worker_threads';
import { wrap, type Remote } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { Refused } from '../errors.ts';

/** More of one task at once would only make each other wait; a file to read never waits for an archive. */
const AT_ONCE = 2;
/** What a worker may take of the machine's memory before it is ended. */
const MOST_MIB = 2048;
/** Longer than the longest that ever took: ten years of a busy kitchen come back in a minute. */
const LIMIT_MS = 15 * 60_000;

/** How many of a task run, and who waits for a turn. */
interface Lane {
	running: number;
	waiting: (() => void)[];
}
const lanes = new Map<string, Lane>();

/** Waits for a turn in a task's lane; what is to be called to leave it. */
async function turn(task: string): Promise<() => void> {
	const lane = lanes.get(task) ?? { running: 0, waiting: [] };
	lanes.set(task, lane);
	if (lane.running >= AT_ONCE) await new Promise<void>((resolve) => lane.waiting.push(resolve));
	else lane.running++;
	return () => {
		const next = lane.waiting.shift();
		if (next) next();
		else lane.running--;
	};
}

/** What ended a worker: too much memory is for the person who asked, everything else is a fault of ours. */
function ended(error: NodeJS.ErrnoException): Error {
	const tooMuch = error.code === 'ERR_WORKER_OUT_OF_MEMORY';
	return tooMuch ? refused('this takes more memory than it may have: nothing was changed') : error;
}

const refused = (message: string) => new Refused([{ path: '', message }]);

/**
 * Does long work beside the server, which goes on answering: `use` asks the worker of one of `TASKS` for what it wants. The
 * worker is ended when that is done, when `signal` says stop, and when it takes too long or too much. Throws what the
 * work does, `Refused` where it took too long or too much.
 */
export async function inWorker<Answering, R>(
	task: string,
	use: (worker: Remote<Answering>) => Promise<R>,
	{ signal, limit_ms = LIMIT_MS }: { signal?: AbortSignal; limit_ms?: number } = {}
): Promise<R> {
	const leave = await turn(task);
	let end = () => {};
	try {
		signal?.throwIfAborted();
		const entry = process.env.WORKER_FILE ?? new URL('./entry.mjs', import.meta.url);
		const worker = new Worker(entry, {
			workerData: { task },
			// What the parent was started with is not for it: it reads from source whatever the parent is.
			execArgv: [],
			resourceLimits: { maxOldGenerationSizeMb: MOST_MIB }
		});
		const over = new Promise<never>((_, reject) => {
			const late = setTimeout(() => reject(refused('this took too long and was stopped')), limit_ms);
			const stopped = () => reject(signal?.reason as Error);
			signal?.addEventListener('abort', stopped);
			worker.once('error', (error) => reject(ended(error)));
			worker.once('exit', () => reject(new Error(`the worker of "${task}" ended before it was done`)));
			end = () => {
				clearTimeout(late);
				signal?.removeEventListener('abort', stopped);
				void worker.terminate();
			};
		});
		// Ended by the line above, it is over without anybody waiting for it.
		over.catch(() => undefined);
		return await Promise.race([use(wrap<Answering>(nodeEndpoint(worker))), over]);
	} finally {
		end();
		leave();
	}
}
