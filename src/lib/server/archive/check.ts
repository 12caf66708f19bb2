import type { Database } from '../db/connection.ts';
import { rowsChecked } from '../edge/kept/rows.ts';
import { refuse } from '../errors.ts';
import type { Cells } from '../rows.ts';
import type { Archive } from './read.ts';
import { KITCHENS, kitchenTables } from './tables.ts';

/**
 * Holds every row of an archive to what this version keeps, as strictly as a form would: before anything of it is
 * written. Throws `Refused` with the first that cannot be.
 */
export async function checkRows(db: Database, { manifest, rowsOf }: Archive): Promise<void> {
	await refusePractice(rowsOf);
	const said = new Set(manifest.tables.map(({ name }) => name));
	for (const { name, kinds } of await kitchenTables(db)) {
		if (!said.has(name)) refuse('', `the archive is not whole: it says nothing of ${name}`);
		const problemOf = rowsChecked(name, kinds);
		let number = 0;
		for await (const row of rowsOf(name)) {
			number++;
			const problem = problemOf(row);
			if (problem !== null) refuse('', `row ${number} of ${name}${called(row)} cannot be read: ${problem}`);
		}
	}
}

/** A kitchen of practice is made by whoever practises and never brought in, and nobody brings in what others tried. */
async function refusePractice(rowsOf: Archive['rowsOf']): Promise<void> {
	for await (const row of rowsOf(KITCHENS))
		if (row.practice_of != null)
			refuse('', 'this is an archive of a kitchen of practice: only a real one is brought in');
	for (const table of ['practice_tries', 'practice_moves'])
		for await (const row of rowsOf(table))
			refuse('', `the archive holds the record ${String(row.id)} of ${table}: practice is not brought in`);
}

/** What a person calls the row, where it has a name. */
export const called = ({ name, code }: Cells): string => {
	const said = name ?? code ?? '';
	return typeof said === 'string' && said !== '' ? ` (${said.slice(0, 60)})` : '';
};
