import { type Row } from '../rows.ts';
import { migrationsUpTo } from '../db/migrate.ts';
import type { Database } from '../db/connection.ts';
import { refuse } from '../errors.ts';
import { noteMissingStandings } from '../batches/change.ts';
import { inTransaction } from '../db/transaction.ts';
import { getKitchen } from '../kitchens.ts';
import { withoutReferences } from '../life/rows.ts';
import { removeUnfinished } from '../life/unfinished.ts';
import { checkRows } from './check.ts';
import { insertAll, type Progress } from './insert.ts';
import { lifted } from './lift.ts';
import type { Archive } from './read.ts';
import { kitchenColumn, kitchenTables, KITCHENS, migrationOf } from './tables.ts';

/**
 * Brings the kitchen of an archive into this database, every row as it was; all of it or nothing. Its rows go in by
 * parts, none larger than one write of a cluster should be; until all are in and lead somewhere it is arriving, and
 * nobody sees it. Nobody belongs to it yet. Refuses one that is here already, one whose rows name what is not there,
 * and one from a newer Square Batch; one from an older is brought up to date first. `goOn` is asked between rows: it may
 * throw, and then, as with whatever else ends it, what came in is taken away again.
 */
export async function restoreKitchen(
	database: Database,
	archive: Archive,
	goOn: (progress: Progress) => void = () => {}
): Promise<string> {
	try {
		return await brought(database, archive, goOn);
	} finally {
		archive.close?.();
	}
}

async function brought(
	database: Database,
	archive: Archive,
	goOn: (progress: Progress) => void
): Promise<string> {
	const here = await migrationOf(database);
	const there = archive.manifest.migration;
	if (there !== here && !migrationsUpTo(here).some(([name]) => name === there))
		refuse('', 'this archive was written by a newer Square Batch: bring this one up to date first');
	const { id, name } = archive.manifest.kitchen;
	if (await database(KITCHENS).where('id', id).first('id'))
		refuse('', `${name} is on this machine already: it cannot be here twice`);
	const current = there === here ? archive : await lifted(database, archive);
	try {
		await checkRows(database, current);
		// Rows refer to each other in both directions; every reference is followed afterwards.
		await insertAll(database, current, { goOn, together: withoutReferences, own: { state: 'arriving' } });
		await followReferences(database, id);
		// How batches stand follows from what came in.
		await inTransaction(database, async (db) => noteMissingStandings(db, await getKitchen(db, id)));
		await inTransaction(database, async (db) => {
			await db(KITCHENS).where({ id, state: 'arriving' }).update({ state: 'open' });
			// It may have been taken away here once: it is back.
			await db('deleted_kitchens').where('id', id).delete();
		});
	} catch (error) {
		await removeUnfinished(database);
		throw error;
	} finally {
		if (current !== archive) current.close?.();
	}
	return id;
}

/** Sees that every reference of the kitchen leads to a row of it. */
async function followReferences(db: Database, kitchenId: string): Promise<void> {
	for (const table of await kitchenTables(db))
		for (const { to, columns } of table.references) {
			const lost = await db(`${table.name} as f`)
				.leftJoin(`${to} as t`, (on) => {
					for (const [from, at] of columns) on.on(`f.${from}`, `t.${at}`);
				})
				.where(`f.${kitchenColumn(table.name)}`, kitchenId)
				.whereNull('t.id')
				.where((given) => {
					for (const [from] of columns) given.whereNotNull(`f.${from}`);
				})
				.first<Row | undefined>('f.id');
			if (lost)
				refuse('', `the archive is not whole: a row of ${table.name} names one of ${to} that is missing`);
		}
}
