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
	refusePractice(rowsOf);
	const said = new Set(manifest.tables.map(({ name }) => name));
	for (const { name, kinds } of await kitchenTables(db)) {
		if (!said.has(name)) refuse('', `the archive is not whole: it says nothing of ${name}`);
		const problemOf = rowsChecked(name, kinds);
		rowsOf(name).forEach((row, index) => {
			const problem = problemOf(row);
			if (problem !== null)
				refuse('', `row ${index + 1} of ${name}${called(row)} cannot be read: ${problem}`);
		});
	}
}

/** A kitchen of practice is made by whoever practises and never brought in, and nobody brings in what others tried. */
function refusePractice(rowsOf: Archive['rowsOf']): void {
	if (rowsOf(KITCHENS).some((row) => row.practice_of != null))
		refuse('', 'this is an archive of a kitchen of practice: only a real one is brought in');
	for (const table of ['practice_tries', 'practice_moves'])
		if (rowsOf(table).length > 0)
			refuse('', `the archive holds rows of ${table}: practice is not brought in`);
}

/** What a person calls the row, where it has a name. */
const called = ({ name, code }: Cells): string => {
	const said = name ?? code ?? '';
	return typeof said === 'string' && said !== '' ? ` (${said.slice(0, 60)})` : '';
};
