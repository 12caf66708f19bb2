import { createReadStream } from 'node:fs';
import { appendFile } from 'node:fs/promises';
import { join } from 'node:path';
import { migrateTo, migrate } from '../db/migrate.ts';
import { oneConnection } from '../db/upgrade/one-connection.ts';
import { takeTurn } from '../db/upgrade/lock.ts';
import { temporaryFolder } from '../temporary.ts';
import { databaseNamed, openDatabase, urlOf, type Database } from '../db/connection.ts';
import { refuse } from '../errors.ts';
import { dumpKitchen } from './dump.ts';
import type { Archive, Rows } from './read.ts';
import { rowsIn } from './rows.ts';
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
	// There is one such database: of two restores the second waits for the first.
	const turn = oneConnection(database);
	try {
		await takeTurn(turn, `restore:${beside}`);
		return await liftedInto(database, beside, archive);
	} finally {
		await turn.destroy();
	}
}

async function liftedInto(database: Database, beside: string, archive: Archive): Promise<Archive> {
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

/** What the database beside holds, in files of its own until it is brought in: none of it is kept in memory. */
async function collected(scratch: Database, { manifest }: Archive): Promise<Archive> {
	const { folder, remove: close } = await temporaryFolder();
	try {
		const paths = new Map<string, string>();
		const pathOf = (file: string): string => {
			const path = paths.get(file) ?? join(folder, `${paths.size}.json`);
			paths.set(file, path);
			return path;
		};
		const tables = dumpKitchen(scratch, manifest.kitchen, manifest.writtenAt);
		let next = await tables.next();
		for (; !next.done; next = await tables.next())
			await appendFile(pathOf(next.value.file), next.value.text, { mode: 0o600 });
		const rowsOf = (table: string): Rows => {
			const file = tableFile(table);
			const path = paths.get(file);
			return path === undefined ? [] : rowsIn(createReadStream(path), file);
		};
		return { manifest: next.value, rowsOf, close };
	} catch (error) {
		close();
		throw error;
	}
}
