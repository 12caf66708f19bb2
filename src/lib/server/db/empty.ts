import type { Database } from './connection.ts';

/** Takes every table away with all that is in it, also what an upgrade that was cut short left. */
export async function dropEverything(database: Database): Promise<void> {
	// The rule for references is of one connection.
	const connection = (await database.client.acquireConnection()) as unknown;
	const run = (sql: string, ...names: string[]) => database.raw(sql, names).connection(connection);
	try {
		const [tables] = (await run('SHOW TABLES')) as [Record<string, string>[]];
		await run('SET foreign_key_checks = 0');
		for (const name of tables.flatMap((row) => Object.values(row))) await run('DROP TABLE ??', name);
		await run('SET foreign_key_checks = 1');
	} finally {
		await database.client.releaseConnection(connection);
	}
}
