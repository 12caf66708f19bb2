import { openDatabase, urlOf, type Database } from '../connection.ts';

/**
 * A database reached by one connection and never another: what is held by it, as a lock is, is held for as long as
 * anything can be asked. Once it is lost every question fails.
 */
export function oneConnection(database: Database): Database {
	let isOpened = false;
	return openDatabase(urlOf(database), {
		min: 0,
		max: 1,
		// Kept while a step takes its time between two statements.
		idleTimeoutMillis: 24 * 3_600_000,
		mayOpen: () => {
			if (isOpened) throw new Error('the connection that held the lock was lost');
			isOpened = true;
		}
	});
}
