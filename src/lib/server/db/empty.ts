import type { Database } from './connection.ts';

/** Takes every table away with all that is in it, also what an upgrade that was cut short left. */
export async function dropEverything(database: Database): Promise<void> {
	// The rule for references is of one connection.
	const client = database.client as {
		acquireConnection: () => Promise<unknown>;
		releaseConnection: (connection: unknown) => Promise<void>;
	};
	const connection = await client.acquireConnection();
	const run = (sql: string, ...names: string[]) => database.raw(sql, names).connection(connection);
	try {
		const [tables] = (await run('SHOW TABLES')) as [Record<string, string>[]];
		await run('SET foreign_key_checks = 0');
		for (const name of tables.flatMap((row) => Object.values(row))) await run('DROP TABLE ??', name);
		await run('SET foreign_key_checks = 1');
	} finally {
		await client.releaseConnection(connection);
	}
}
