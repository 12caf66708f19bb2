import type { Database } from '../db/connection.ts';
import { Refused, refuse } from '../errors.ts';
import type { Cells } from '../rows.ts';
import type { Archive } from './read.ts';
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
	refuseStrange(archive, tables);
	const { id } = archive.manifest.kitchen;
	const of = archive.manifest.tables.reduce((sum, table) => sum + table.rows, 0);
	let done = 0;
	for (const table of inOrder(tables)) {
		for (const some of inParts(archive.rowsOf(table.name))) {
			goOn({ table: table.name, done, of });
			await together(db, (transaction) =>
				insert(transaction, table, some, table.name === KITCHENS ? own : {})
			);
			done += some.length;
		}
	}
	// Nothing more is weighed of a closed batch: it is closed only now that everything of it is in.
	for (const some of inParts(archive.rowsOf('batches')))
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
export function* inParts(rows: readonly Cells[]): Generator<Cells[]> {
	let part: Cells[] = [];
	let characters = 0;
	for (const row of rows) {
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
		throw asRefused(table.name, error);
	}
}

/** The kitchen first, by which what came in is found again; then batches: what belongs to one looks whether it is closed. */
const FIRST = ['batches', KITCHENS];
const inOrder = (tables: readonly KitchenTable[]) =>
	[...tables].sort((a, b) => FIRST.indexOf(b.name) - FIRST.indexOf(a.name));

/** Refuses tables and columns that are not known, and rows of another kitchen. */
function refuseStrange({ manifest, rowsOf }: Archive, tables: readonly KitchenTable[]): void {
	const known = new Map(tables.map((table) => [table.name, table]));
	for (const { name } of manifest.tables) {
		const table = known.get(name) ?? refuse('', `the archive has a table that is not known here: ${name}`);
		const columns = new Set(table.columns);
		for (const row of rowsOf(name)) {
			if (row[kitchenColumn(name)] !== manifest.kitchen.id)
				refuse('', `${name} holds a row that is not of this kitchen`);
			const strange = Object.keys(row).find((column) => !columns.has(column));
			if (strange !== undefined) refuse('', `${name} has a column that is not known here: ${strange}`);
		}
	}
}

/** What the database refused as a word to the person; what is our own mistake stays an error. */
function asRefused(table: string, error: unknown): unknown {
	const { errno, sqlMessage } = error as { errno?: number; sqlMessage?: string };
	const ownWords = errno === undefined;
	return ownWords
		? error
		: new Refused([
				{ path: '', message: `a row of ${table} cannot be here as it is: ${sqlMessage ?? 'it was refused'}` }
			]);
}
