import type { Database } from '../db/connection.ts';
import { Refused, refuse } from '../errors.ts';
import type { Cells } from '../rows.ts';
import { called } from './check.ts';
import type { Archive, Rows } from './read.ts';
import { KITCHENS, kitchenColumn, kitchenTables, WITHOUT, type KitchenTable } from './tables.ts';

/** How far a restore is. */
export interface Progress {
	table: string;
	/** Rows of all tables that are in, of all there are. */
	done: number;
	of: number;
}

/** Rows that go in by one statement: so many, and no more text than the database takes at once. */
const AT_ONCE = 500;
const MOST_CHARACTERS = 2_000_000;

/** How some rows go in together: all or none of them. */
export type Together = (db: Database, act: (transaction: Database) => Promise<void>) => Promise<void>;

const asItIs: Together = (db, act) => act(db);

/**
 * Puts every row of an archive into the tables of a database that is at its migration, the kitchen's own first: `own` is
 * what it is otherwise than the archive says. `together` runs each lot of rows.
 */
export async function insertAll(
	db: Database,
	archive: Archive,
	{
		goOn = () => {},
		together = asItIs,
		own = {}
	}: { goOn?: (progress: Progress) => void; together?: Together; own?: Cells } = {}
): Promise<void> {
	const tables = await kitchenTables(db);
	await refuseStrange(archive, tables);
	const { id } = archive.manifest.kitchen;
	const of = archive.manifest.tables.reduce((sum, table) => sum + table.rows, 0);
	let done = 0;
	for (const table of inOrder(tables)) {
		for await (const some of inParts(archive.rowsOf(table.name))) {
			goOn({ table: table.name, done, of });
			await together(db, (transaction) =>
				insert(transaction, table, some, table.name === KITCHENS ? own : {})
			);
			done += some.length;
		}
	}
	// Nothing more is weighed of a closed batch: it is closed only now that everything of it is in.
	for await (const some of inParts(archive.rowsOf('batches')))
		await together(db, async (transaction) => {
			for (const { id: batchId, closed_at: closedAt } of some)
				if (closedAt !== null)
					await transaction('batches')
						.where({ kitchen_id: id, id: String(batchId) })
						.update({ closed_at: String(closedAt) });
		});
	goOn({ table: '', done: of, of });
}

/** Rows in their order, as many together as go in at once. */
export async function* inParts(rows: Rows): AsyncGenerator<Cells[]> {
	let part: Cells[] = [];
	let characters = 0;
	for await (const row of rows) {
		const length = JSON.stringify(row).length;
		if (part.length === AT_ONCE || (part.length > 0 && characters + length > MOST_CHARACTERS)) {
			yield part;
			[part, characters] = [[], 0];
		}
		part.push(row);
		characters += length;
	}
	if (part.length > 0) yield part;
}

async function insert(db: Database, table: KitchenTable, rows: Cells[], own: Cells): Promise<void> {
	const without = table.name === 'batches' ? { closed_at: null } : WITHOUT[table.name];
	// A form from before has not every column of them.
	const usual = Object.fromEntries(
		Object.entries(without ?? {}).filter(([column]) => table.columns.includes(column))
	);
	const open = rows.map((row) => ({ ...row, ...usual, ...own }));
	try {
		await db(table.name).insert(open);
	} catch (error) {
		throw (await whichOf(db, table.name, open)) ?? error;
	}
}

/** Which of some rows the database would not have, in words; null where it takes each, and the fault is ours. */
async function whichOf(db: Database, table: string, rows: readonly Cells[]): Promise<unknown> {
	for (const row of rows)
		try {
			await db(table).insert(row);
		} catch (error) {
			return asRefused(table, row, error);
		}
	return null;
}

/** The kitchen first, by which what came in is found again; then batches: what belongs to one looks whether it is closed. */
const FIRST = ['batches', KITCHENS];
const inOrder = (tables: readonly KitchenTable[]) =>
	[...tables].sort((a, b) => FIRST.indexOf(b.name) - FIRST.indexOf(a.name));

/** Refuses tables and columns that are not known, and rows of another kitchen. */
async function refuseStrange({ manifest, rowsOf }: Archive, tables: readonly KitchenTable[]): Promise<void> {
	const known = new Map(tables.map((table) => [table.name, table]));
	for (const { name } of manifest.tables) {
		const table = known.get(name) ?? refuse('', `the archive has a table that is not known here: ${name}`);
		const columns = new Set(table.columns);
		for await (const row of rowsOf(name)) {
			if (row[kitchenColumn(name)] !== manifest.kitchen.id)
				refuse('', `${name} holds a row that is not of this kitchen`);
			const strange = Object.keys(row).find((column) => !columns.has(column));
			if (strange !== undefined) refuse('', `${name} has a column that is not known here: ${strange}`);
		}
	}
}

/** What an error of the database means for who brings an archive in, by its number. */
const MEANS: Readonly<Record<number, string>> = {
	1048: 'something in it is missing',
	1062: 'something that is here has its id, or its name',
	1264: 'a number in it is too large',
	1406: 'something in it is too long',
	1452: 'it names what is not in the archive',
	4025: 'what it says does not go together'
};
/** By which a guard of ours speaks for itself. */
const OWN_STATE = '45000';

/** What the database refused as a word to the person, of the record it was; what is our own mistake stays an error. */
function asRefused(table: string, row: Cells, error: unknown): unknown {
	const { errno, sqlState, sqlMessage = '' } = error as DatabaseError;
	if (errno === undefined) return error;
	const why = sqlState === OWN_STATE ? sqlMessage : (MEANS[errno] ?? 'the database does not take it');
	const message = `the record ${String(row.id)} of ${table}${called(row)} cannot be here as it is: ${why}`;
	return new Refused([{ path: '', message }]);
}

interface DatabaseError {
	errno?: number;
	sqlState?: string;
	sqlMessage?: string;
}
