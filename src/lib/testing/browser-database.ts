import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { vi } from 'vitest';
import { close } from '../queue/store.ts';

/** An empty database of the browser, and a clock that stands still, for each test. */
export async function freshBrowserDatabase(now = new Date()): Promise<void> {
	await close();
	vi.stubGlobal('indexedDB', new IDBFactory());
	// The database goes on by the others.
	vi.useFakeTimers({ now, toFake: ['setTimeout', 'clearTimeout', 'Date'] });
}

const ROUNDS = 40;
/** Each thing that is read or written takes the database a turn. */
const TURNS = 30;

/** Lets so much time pass, and everything that was promised come about. */
export async function pass(ms = 0): Promise<void> {
	await vi.advanceTimersByTimeAsync(ms);
	for (let turn = 0; turn < ROUNDS * TURNS; turn++) {
		await new Promise((resolve) => setImmediate(resolve));
		if (turn % TURNS === 0) await vi.advanceTimersByTimeAsync(0);
	}
}
