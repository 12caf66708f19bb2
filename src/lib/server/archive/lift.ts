import type { Cells } from '../rows.ts';
import { migrateTo, migrate } from '../db/migrate.ts';
import { databaseNamed, openDatabase, urlOf, type Database } from '../db/connection.ts';
import { refuse } from '../errors.ts';
import { dumpKitchen } from './dump.ts';
import type { Archive } from './read.ts';
import { insertAll } from './insert.ts';
import { tableFile } from './format.ts';

/** Beside the database: the application's own has the right to it. */
const SUFFIX = '_restore';

/**
 * An archive of an older Square Batch in today's form: it is laid into a database of its form beside this
 * one, which every later migration is run on, as it was on the kitchens that stayed.
 */
export async function lifted(database: Database, archive: Archive): Promise<Archive> {
	const beside = `${databaseNamed(database)}${SUFFIX}`;
	try {
		await database.raw('DROP DATABASE IF EXISTS ??', [beside]);
		await database.raw('CREATE DATABASE ?? CHARACTER SET utf8mb4', [beside]);
	} catch {
		refuse(
			'',
			`this archive is of an older Square Batch, and bringing it up to date needs the right to make the database ${beside}`
		);
	}
	const scratch = openDatabase(urlOf(database, beside));
	try {
		await migrateTo(scratch, archive.manifest.migration);
		await scratch.transaction(async (db) => {
			await db.raw('SET SESSION foreign_key_checks = 0');
			await insertAll(db, archive);
		});
		await migrate(scratch).catch((error: unknown) =>
			refuse('', `what it holds cannot be brought up to date: ${(error as Error).message}`)
		);
		return await collected(scratch, archive);
	} finally {
		await scratch.destroy();
		await database.raw('DROP DATABASE IF EXISTS ??', [beside]);
	}
}

async function collected(scratch: Database, { manifest }: Archive): Promise<Archive> {
	const texts = new Map<string, string[]>();
	const tables = dumpKitchen(scratch, manifest.kitchen, manifest.writtenAt);
	let next = await tables.next();
	for (; !next.done; next = await tables.next()) {
		const { file, text } = next.value;
		texts.set(file, [...(texts.get(file) ?? []), text]);
	}
	const read = (table: string): Cells[] =>
		JSON.parse((texts.get(tableFile(table)) ?? ['[]']).join('')) as Cells[];
	return { manifest: next.value, rowsOf: read };
}
