import type { Database } from './connection.ts';
import { refuse } from '../errors.ts';

const TRIES = 5;

/** How often each table of a kitchen was changed so far, as one text. */
async function changesOf(db: Database, kitchenId: string): Promise<string> {
	const rows = await db('changes')
		.where('kitchen_id', kitchenId)
		.orderBy('of_table')
		.select('of_table', 'number');
	return JSON.stringify(rows);
}

/**
 * What `read` gives, all of one state of the kitchen: where something was saved while it was read it is read again.
 * For what is kept for good. Throws `Refused` where somebody saves without end.
 */
export async function ofOneState<T>(db: Database, kitchenId: string, read: () => Promise<T>): Promise<T> {
	for (let tries = 0; tries < TRIES; tries++) {
		const before = await changesOf(db, kitchenId);
		const value = await read();
		if ((await changesOf(db, kitchenId)) === before) return value;
	}
	return refuse('', 'something is being saved just now: try again');
}
