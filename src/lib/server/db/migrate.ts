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

async function run(database: Database, migrations: readonly Entry[]): Promise<string[]> {
	const migrationSource = sourceOf(migrations);
	const [, ran] = (await database.migrate.latest({ migrationSource })) as [number, string[]];
	return ran;
}

/** Takes every migration back, newest first. */
export async function unmigrate(database: Database): Promise<void> {
	await database.migrate.rollback({ migrationSource: sourceOf(MIGRATIONS) }, true);
}
