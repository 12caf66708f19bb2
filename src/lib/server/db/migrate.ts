import { setTimeout } from 'node:timers/promises';
import type { Knex } from 'knex';
import type { Database } from './connection.ts';
import { MIGRATIONS } from './migrations/index.ts';

type Entry = (typeof MIGRATIONS)[number];

/** Migrations as modules, so that they run the same from source, from a test and from a build. */
const sourceOf = (migrations: readonly Entry[]): Knex.MigrationSource<Entry> => ({
	getMigrations: () => Promise.resolve([...migrations]),
	getMigrationName: ([name]) => name,
	getMigration: ([, migration]) => Promise.resolve(migration)
});

/** The migrations up to a named one, which is the last; none where there is no such one. */
export function migrationsUpTo(name: string): readonly Entry[] {
	return MIGRATIONS.slice(0, MIGRATIONS.findIndex(([each]) => each === name) + 1);
}

/** Brings the database to the newest migration; the names of those it ran. */
export async function migrate(database: Database): Promise<string[]> {
	return run(database, MIGRATIONS);
}

/** Brings an empty database to a named migration, no further. */
export async function migrateTo(database: Database, name: string): Promise<void> {
	await run(database, migrationsUpTo(name));
}

/** For so long it is waited for another process that migrates; the longest took a minute on ten busy years. */
const WAIT_MS = 300_000;
const LOOK_MS = 250;

/**
 * Runs what has not been run yet, from one process: of several that start at once the others wait until it is done. What
 * a newer version ran is let be: a process of the version before may start beside it.
 */
async function run(database: Database, migrations: readonly Entry[], wait_ms = WAIT_MS): Promise<string[]> {
	const config = { migrationSource: sourceOf(migrations), disableMigrationsListValidation: true };
	const until = Date.now() + wait_ms;
	for (;;) {
		while (Date.now() < until && (await isBeingRun(database))) await setTimeout(LOOK_MS);
		try {
			const [, ran] = (await database.migrate.latest(config)) as [number, string[]];
			return ran;
		} catch (error) {
			if (!isLocked(error) || Date.now() > until) throw error;
			await setTimeout(LOOK_MS);
		}
	}
}

/** Whether another process is at it. */
async function isBeingRun(database: Database): Promise<boolean> {
	const [rows] = (await database.raw("SHOW TABLES LIKE 'knex_migrations_lock'")) as [unknown[]];
	if (rows.length === 0) return false;
	const [[lock]] = (await database.raw('SELECT MAX(is_locked) AS is_locked FROM knex_migrations_lock')) as [
		{ is_locked: number | null }[]
	];
	return lock?.is_locked === 1;
}

/** Whether another began at the same moment: it has the lock, or makes the very tables the lock lies in. */
const isLocked = (error: unknown): boolean =>
	(error as Error).name === 'MigrationLocked' ||
	/already locked/.test((error as Error).message) ||
	(error as { code?: string }).code === 'ER_TABLE_EXISTS_ERROR';

/** Takes every migration back, newest first. */
export async function unmigrate(database: Database): Promise<void> {
	await database.migrate.rollback({ migrationSource: sourceOf(MIGRATIONS) }, true);
}
