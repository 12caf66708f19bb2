import type { Database } from './connection.ts';
import { MIGRATIONS } from './migrations/index.ts';
import { onlyOne } from './upgrade/lock.ts';
import { oneConnection } from './upgrade/one-connection.ts';
import { STATEMENTS, stepsThrough, type AtStatement } from './upgrade/statements.ts';

type Entry = (typeof MIGRATIONS)[number];

/** What an upgrade is told and tells. */
export interface Upgrading {
	/** Hears what is done and what is waited for, in words. */
	say?: (words: string) => void;
	/** Ends it after the step it is at. */
	signal?: AbortSignal;
	/** For tests: the moments around each statement. */
	at?: AtStatement;
}

/** The migrations up to a named one, which is the last; none where there is no such one. */
export function migrationsUpTo(name: string): readonly Entry[] {
	return MIGRATIONS.slice(0, MIGRATIONS.findIndex(([each]) => each === name) + 1);
}

/** Brings the database to the newest migration; the names of those it ran. Throws the signal's reason where it is ended. */
export async function migrate(database: Database, upgrading: Upgrading = {}): Promise<string[]> {
	return run(database, MIGRATIONS, upgrading);
}

/** Brings an empty database to a named migration, no further. */
export async function migrateTo(database: Database, name: string): Promise<void> {
	await run(database, migrationsUpTo(name), {});
}

/** Migrations that are to be run on a database, and whether there is anything in it that they would change. */
export async function toRun(
	database: Database
): Promise<{ names: string[]; isNew: boolean; isHalfWay: boolean }> {
	const missing = await missingOn(database, MIGRATIONS);
	const isBegun = await hasTable(database, STATEMENTS);
	const [rows] = isBegun
		? ((await database.raw('SELECT 1 FROM ?? LIMIT 1', [STATEMENTS])) as [unknown[]])
		: [[]];
	return {
		names: missing.map(([name]) => name),
		isNew: missing.length === MIGRATIONS.length,
		isHalfWay: rows.length > 0
	};
}

const ranOn = (database: Database): Promise<string[]> => database('knex_migrations').pluck('name');

/** Of these migrations those that were not run yet. */
async function missingOn(database: Database, migrations: readonly Entry[]): Promise<readonly Entry[]> {
	const ran = (await hasTable(database, 'knex_migrations')) ? await ranOn(database) : [];
	return migrations.filter(([name]) => !ran.includes(name));
}

async function hasTable(database: Database, name: string): Promise<boolean> {
	const [rows] = (await database.raw('SHOW TABLES LIKE ?', [name])) as [unknown[]];
	return rows.length > 0;
}

/**
 * Runs what has not been run yet, from one process: of several that start at once the others wait until it is done. A
 * step that was cut short goes on with the statement it was cut at. What a newer version ran is let be: a process of the
 * version before may start beside it.
 */
async function run(
	database: Database,
	migrations: readonly Entry[],
	{ say = () => undefined, signal, at }: Upgrading
): Promise<string[]> {
	const one = oneConnection(database);
	try {
		// An account that may change nothing of the schema finds here that there is nothing to change.
		if ((await missingOn(one, migrations)).length === 0) return [];
		await onlyOne(one, say, signal);
		await one.raw(
			'CREATE TABLE IF NOT EXISTS knex_migrations (id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY, name VARCHAR(255), batch INT, migration_time TIMESTAMP NULL)'
		);
		const missing = await missingOn(one, migrations);
		if (missing.length === 0) return [];
		const steps = await stepsThrough(one, at);
		await steps.begin();
		for (const [nth, [name, { up }]] of missing.entries()) {
			signal?.throwIfAborted();
			say(`Step ${nth + 1} of ${missing.length}: ${name}`);
			const isUnsure = await wasRunByOlder(one);
			await steps.run(name, async () => up(one), { isUnsure, isLast: nth === missing.length - 1 });
			// From here on what is done is noted.
			if (isUnsure) await one(LOCK_OF_OLDER).delete();
		}
		return missing.map(([name]) => name);
	} finally {
		await one.destroy();
	}
}

/** Versions that noted no statements locked by a row of this table, which stays where they are cut short. */
const LOCK_OF_OLDER = 'knex_migrations_lock';

/**
 * Whether such a version ran last here: it may have been cut short, and its lock taken away by hand. It is so until the
 * first step since is done, however often that is cut short itself.
 */
async function wasRunByOlder(one: Database): Promise<boolean> {
	return (await hasTable(one, LOCK_OF_OLDER)) && (await one(LOCK_OF_OLDER).select('index')).length > 0;
}
