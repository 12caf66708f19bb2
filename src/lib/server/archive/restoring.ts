import { openDatabase } from '../db/connection.ts';
import { Refused } from '../errors.ts';
import type { Progress } from './insert.ts';
import { readArchive } from './read.ts';
import { restoreKitchen } from './restore.ts';

/** What came of a restore: the kitchen that is here now, or why nothing is. */
export type Restored = { restored: string } | { problem: string };

/** Rows go in by the hundred; who waits need not hear of each. */
const EVERY_MS = 150;

/** Brings an archive in, in a worker. Whoever ends it before it is done takes away what came in. */
export const restoring = {
	async restore(path: string, databaseUrl: string, tell: (progress: Progress) => void): Promise<Restored> {
		const database = openDatabase(databaseUrl);
		let told = 0;
		try {
			const restored = await restoreKitchen(database, await readArchive(path), (progress) => {
				if (Date.now() - told < EVERY_MS && progress.done < progress.of) return;
				told = Date.now();
				tell(progress);
			});
			return { restored };
		} catch (error) {
			// An error's kind does not come through to the one who asked.
			if (error instanceof Refused) return { problem: error.message };
			throw error;
		} finally {
			await database.destroy();
		}
	}
};
