import type { Database } from './connection.ts';

const TRIES = 5;
const DEADLOCK = 'ER_LOCK_DEADLOCK';

/**
 * Runs `act` in a transaction, and again where the database ended it because another was in its way: all of
 * it was undone then. Within a transaction of somebody else, that one has to be run again.
 */
export async function inTransaction<T>(db: Database, act: (transaction: Database) => Promise<T>): Promise<T> {
	for (let tries = 1; ; tries++)
		try {
			return await db.transaction(act);
		} catch (error) {
			if ((error as { code?: string }).code !== DEADLOCK || db.isTransaction || tries === TRIES) throw error;
		}
}
