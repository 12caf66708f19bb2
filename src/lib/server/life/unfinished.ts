import type { Database } from '../db/connection.ts';
import { removeItself, removeRows } from './rows.ts';

/** Takes away what came in of kitchens that never arrived whole: one arrives at a time, so none of them is on its way. */
export async function removeUnfinished(db: Database): Promise<void> {
	for (const id of await db('kitchens').where('state', 'arriving').pluck<string[]>('id')) {
		await removeRows(db, id);
		await removeItself(db, id);
	}
}
