import type { Knex } from 'knex';
import type { Database } from './connection.ts';
import { MIGRATIONS } from './migrations/index.ts';

type Entry = (typeof MIGRATIONS)[number];

/** Migrations as modules, so that they run the same from source, from a test and from a build. */
const migrationSource: Knex.MigrationSource<Entry> = {
	getMigrations: () => Promise.resolve(MIGRATIONS),
	getMigrationName: ([name]) => name,
	getMigration: ([, migration]) => Promise.resolve(migration)
};

/** Brings the database to the newest migration; the names of those it ran. */
export async function migrate(database: Database): Promise<string[]> {
	const [, ran] = (await database.migrate.latest({ migrationSource })) as [number, string[]];
	return ran;
}

/** Takes every migration back, newest first. */
export async function unmigrate(database: Database): Promise<void> {
	await database.migrate.rollback({ migrationSource }, true);
}
