import { setTimeout } from 'node:timers/promises';
import { retries } from '../seen/metrics.ts';
import { asDeed } from './acting.ts';
import type { Database } from './connection.ts';

/** Twenty that want the same rows at once are through by then. */
const TRIES = 10;
const PAUSE_MS = 10;
/** Nobody waits longer for their turn than this: what is sent again later is kept once. */
const LONGEST_MS = 3000;
/** Ended by the database because another transaction was in its way: all of it was undone. */
const AGAIN = new Set([
	'ER_LOCK_DEADLOCK',
	'ER_LOCK_WAIT_TIMEOUT',
	// A snapshot that is older than what was written meanwhile.
	'ER_CHECKREAD'
]);

const isAgain = (error: unknown): boolean => AGAIN.has((error as { code?: string }).code ?? '');

/**
 * Every reading is of what is committed by then: what another did while this one waited for a lock is seen. A
 * snapshot from the beginning would let two of them decide on what neither finds any more.
 */
const ISOLATION = { isolationLevel: 'read committed' } as const;

/**
 * The one door to writing: runs `act` in a transaction, and again where the database ended it because another was
 * in its way. Within a transaction it is part of that one, which then has to be run again as a whole.
 */
export async function inTransaction<T>(db: Database, act: (transaction: Database) => Promise<T>): Promise<T> {
	if (db.isTransaction) return act(db);
	const until = performance.now() + LONGEST_MS;
	for (let tries = 1; ; tries++)
		try {
			return await whole(db, act);
		} catch (error) {
			if (!isAgain(error) || tries === TRIES || performance.now() > until) throw error;
			retries.inc();
			// Not all at the same moment again.
			await setTimeout(Math.random() * PAUSE_MS * tries);
		}
}

/** Once, with who does it. */
async function whole<T>(db: Database, act: (transaction: Database) => Promise<T>): Promise<T> {
	let done: () => void = () => undefined;
	const result = await db.transaction(async (transaction: Database) => {
		done = await asDeed(transaction);
		return act(transaction);
	}, ISOLATION);
	done();
	return result;
}
