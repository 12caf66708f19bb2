import { isDuplicate, refuse } from '../errors.ts';
import { newId, utcNow, type Cells, type Row } from '../rows.ts';
import { actingNow } from './acting.ts';
import { asker } from './asker.ts';
import type { Database } from './connection.ts';
import type { RowOf, Table } from './tables.ts';
import { inTransaction } from './transaction.ts';

/** What a key is of: the table of what is made, the kitchen it is made in, and the key itself. */
export interface Made {
	table: Table;
	kitchenId: string;
	id: string;
}

/** What is said of a key that is somebody else's, or something else's. */
export const TAKEN = 'this was begun before by somebody else, or as something else: open the page again';

/**
 * The one way to make something under a key that came with a request: `make` is run once. Sent again by the same act of
 * the same person it is what was made then; a key that anything else has, here or in another kitchen, is refused, and
 * nothing of it is told. Whether it was made now.
 */
export async function madeOnce(
	db: Database,
	{ table, kitchenId, id }: Made,
	make: (transaction: Database) => Promise<unknown>
): Promise<boolean> {
	return inTransaction(db, async (transaction) => {
		if (!(await isNew(transaction, { table, kitchenId, id }))) return false;
		// From before keys were noted, or made without one: it is somebody's, and stays as it is.
		if (
			await transaction(table as 'lots')
				.where('id', id)
				.first('id')
		)
			refuse('', TAKEN);
		await make(transaction);
		return true;
	});
}

/** Whether a key is noted now; false where the same act of the same person noted it before. Refuses another's. */
async function isNew(transaction: Database, { table, kitchenId, id }: Made): Promise<boolean> {
	const { personId, act } = asker();
	const turn = newId();
	// Of those that come at once the others wait here for the first, and find what it noted.
	await transaction('creations')
		.insert({
			of_table: table,
			id,
			kitchen_id: kitchenId,
			person_id: personId,
			act,
			turn,
			made_at: utcNow()
		})
		.onConflict(['of_table', 'id'])
		.merge(['id']);
	const noted = await transaction('creations').where({ of_table: table, id }).first();
	if (noted?.turn === turn) return true;
	const isTheirs = noted?.kitchen_id === kitchenId && noted.person_id === personId && noted.act === act;
	return isTheirs ? false : refuse('', TAKEN);
}

/** Inserts a row under a key that came with the form, once (`madeOnce`). */
export async function insertOnce(
	db: Database,
	table: Table,
	row: Cells & { id: string; kitchen_id: string }
): Promise<void> {
	const { id, kitchen_id: kitchenId } = row;
	await madeOnce(db, { table, kitchenId, id }, (transaction) => transaction(table).insert(row));
}

/** Tables of entries that devices make while they are away from the server, each row with its deed. */
type EntryTable = 'sales' | 'weighings' | 'batch_events';

/**
 * Whether an entry of a device is kept already, by whoever sends it now. Entries say by their deed whose they are, and
 * need no second note of it. Refuses the id of another's, or of something else, without a word of what it is.
 */
export async function isKeptEntry(
	db: Database,
	table: EntryTable,
	{ id, ...of }: EntryOf & { id: string }
): Promise<boolean> {
	const isTheirs = (await keptEntries(db, table, of, [id])).get(id);
	return isTheirs === false ? refuse('', TAKEN) : isTheirs === true;
}

/** Where an entry belongs: its kitchen, and what else it has to say. */
type EntryOf = Partial<RowOf<EntryTable>> & { kitchen_id: string };

/** Of entries by their ids those that are kept already, each with whether it is of whoever sends it now, and of this. */
export async function keptEntries(
	db: Database,
	table: EntryTable,
	of: EntryOf,
	ids: readonly string[]
): Promise<Map<string, boolean>> {
	if (ids.length === 0) return new Map();
	const by = actingNow()?.membershipId ?? null;
	const rows = await db(table)
		.leftJoin('deeds as e', 'e.id', `${table}.deed_id`)
		.whereIn(`${table}.id`, [...ids])
		.select<Row[]>(`${table}.*`, 'e.membership_id as by');
	return new Map(
		rows.map((row) => {
			const isOfThis = Object.entries(of).every(([column, value]) => row[column] === value);
			return [row.id, isOfThis && (row.by === null || by === null || row.by === by)];
		})
	);
}

/** What an id that is another entry's comes to. */
export const refuseTaken = (error: unknown): never => {
	if (isDuplicate(error)) refuse('', TAKEN);
	throw error;
};
