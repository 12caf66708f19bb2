import { createHash } from 'node:crypto';
import type { Database } from '../db/connection.ts';
import type { Cells } from '../rows.ts';
import { ARCHIVE_VERSION, LIST_BEGINS, LIST_ENDS, rowLines, tableFile, type Manifest } from './format.ts';
import { kitchenColumn, kitchenTables, migrationOf, WITHOUT, type KitchenTable } from './tables.ts';

/** So many rows are read at a time. */
const AT_ONCE = 2000;

/** A piece of a file of an archive; `last` closes the file. */
export interface Piece {
	file: string;
	text: string;
	last: boolean;
}

/** Rows of a kitchen's table in the order of their ids, some at a time. */
export async function* rowsOf(
	db: Database,
	kitchenId: string,
	{ name, columns }: KitchenTable
): AsyncGenerator<Cells[]> {
	let after = '';
	for (;;) {
		const rows = await db(name)
			.where(kitchenColumn(name), kitchenId)
			.where('id', '>', after)
			.orderBy('id')
			.limit(AT_ONCE)
			.select(columns);
		const without = WITHOUT[name];
		if (rows.length > 0) yield without ? rows.map((row) => ({ ...row, ...without })) : rows;
		if (rows.length < AT_ONCE) return;
		after = String(rows.at(-1)?.id);
	}
}

/** What is to somebody by name: sales, and orders with what was noted of them. */
const TO_SOMEBODY: Readonly<Record<string, Cells>> = {
	sales: { customer: 'a customer' },
	orders: { customer: 'a customer', note: '' }
};

/** A row without whom it was to: that somebody owes, or asked for something, stays to be seen. */
const unnamed = (row: Cells, without: Cells): Cells =>
	row.customer === '' ? { ...row, ...without, customer: '' } : { ...row, ...without };

/**
 * Every row of a kitchen as files of an archive, piece by piece, and at the end what there is. Run it in a
 * transaction, so that it is all of one moment.
 */
export async function* dumpKitchen(
	db: Database,
	kitchen: { id: string; name: string },
	writtenAt: string,
	withCustomers = true
): AsyncGenerator<Piece, Manifest> {
	const tables: Manifest['tables'] = [];
	for (const table of await kitchenTables(db)) {
		const hash = createHash('sha256');
		const file = tableFile(table.name);
		let count = 0;
		const piece = (text: string, last = false): Piece => {
			hash.update(text);
			return { file, text, last };
		};
		yield piece(LIST_BEGINS);
		for await (const rows of rowsOf(db, kitchen.id, table)) {
			const without = withCustomers ? undefined : TO_SOMEBODY[table.name];
			const some = without ? rows.map((row) => unnamed(row, without)) : rows;
			yield piece([...rowLines(some, count === 0)].join(''));
			count += some.length;
		}
		yield piece(LIST_ENDS, true);
		tables.push({ name: table.name, rows: count, sha256: hash.digest('hex') });
	}
	return {
		squareBatchArchive: ARCHIVE_VERSION,
		kitchen: { id: kitchen.id, name: kitchen.name },
		writtenAt,
		migration: await migrationOf(db),
		tables
	};
}
