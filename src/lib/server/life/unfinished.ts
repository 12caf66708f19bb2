import type { Database } from '../db/connection.ts';
import { setTimeout } from 'node:timers/promises';
import { leftOf, removeItself, removeRows } from './rows.ts';

/** What was sent to the database before its sender ended is done by then. */
const SETTLE_MS = 200;

/** Takes away what came in of kitchens that never arrived whole: one arrives at a time, so none of them is on its way. */
export async function removeUnfinished(db: Database): Promise<void> {
	for (const id of await db('kitchens').where('state', 'arriving').pluck<string[]>('id')) {
		// What put its rows in may have been ended with its last ones on their way: they are looked for until none come.
		do {
			await removeRows(db, id);
			await setTimeout(SETTLE_MS);
		} while ((await leftOf(db, id)).length > 0);
		await removeItself(db, id);
	}
}
