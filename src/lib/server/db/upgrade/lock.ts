import { createHash } from 'node:crypto';
import { setTimeout } from 'node:timers/promises';
import { databaseNamed, type Database } from '../connection.ts';

/** Between looks whether whoever upgrades is done. */
const LOOK_MS = 250;
/** It is said after so long that it is waited, and again every so often. */
const SAY_AFTER_MS = 1500;
const SAY_EVERY_MS = 15_000;

/** A name the server's locks may have, of at most 64 characters. */
const nameFor = (of: string): string =>
	`square-batch:${createHash('sha256').update(of).digest('hex').slice(0, 32)}`;

/** Waits until this connection alone does what `of` names; it has its turn until it is closed. */
export const takeTurn = (one: Database, of: string): Promise<void> =>
	waitFor(one, nameFor(of), () => undefined);

/**
 * Waits until this connection alone may upgrade its database. The lock is the connection's: it is gone with it, however
 * it ended, and nothing of it stays behind. Says what is waited for.
 */
export async function onlyOne(
	one: Database,
	say: (words: string) => void,
	signal?: AbortSignal
): Promise<void> {
	await waitFor(one, nameFor(`upgrade:${databaseNamed(one)}`), say, signal);
}

async function waitFor(
	one: Database,
	name: string,
	say: (words: string) => void,
	signal?: AbortSignal
): Promise<void> {
	const began = Date.now();
	let said = 0;
	for (;;) {
		signal?.throwIfAborted();
		const [[row]] = (await one.raw('SELECT GET_LOCK(?, 0) AS held, IS_USED_LOCK(?) AS of_connection', [
			name,
			name
		])) as [{ held: number | null; of_connection: number | null }[]];
		if (row?.held === 1) return;
		const now = Date.now();
		if (now - began > SAY_AFTER_MS && now - said > SAY_EVERY_MS) {
			said = now;
			say(
				`Another start is bringing the database up to date (connection ${row?.of_connection ?? '?'} of it): waiting until it is done. Where nothing else of Square Batch runs, a change to a large table is being ended by the database itself.`
			);
		}
		await setTimeout(LOOK_MS);
	}
}
