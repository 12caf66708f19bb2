import mysql from 'mysql2';
import type { Database } from '../../src/lib/server/db/connection.ts';

/** A statement as it went to the database. */
export interface Query {
	sql: string;
	values: unknown[];
}

/** What the application, which runs in this process, asks the database for meanwhile. */
export async function queriesOf(act: () => Promise<unknown>): Promise<Query[]> {
	const asked: Query[] = [];
	// The prototype that has the method of its own: what every connection inherits.
	let proto = mysql.Connection.prototype as unknown as Record<string, unknown>;
	while (!Object.hasOwn(proto, 'query')) proto = Object.getPrototypeOf(proto) as Record<string, unknown>;
	const query = proto.query as (...given: unknown[]) => unknown;
	proto.query = function (this: unknown, options: { sql?: string }, values?: unknown, ...rest: unknown[]) {
		if (typeof options.sql === 'string')
			asked.push({ sql: options.sql, values: Array.isArray(values) ? values : [] });
		return query.call(this, options, values, ...rest);
	};
	try {
		await act();
	} finally {
		proto.query = query;
	}
	return asked;
}

interface Plan {
	table?: { table_name?: string; r_loops?: number; r_rows?: number };
	[part: string]: unknown;
}

/** Rows that the tables of a plan gave, as they were read. */
function rowsOf(plan: unknown): number {
	if (Array.isArray(plan)) return plan.reduce((sum: number, part) => sum + rowsOf(part), 0);
	if (typeof plan !== 'object' || plan === null) return 0;
	const { r_loops: loops, r_rows: rows, table_name: name } = plan as NonNullable<Plan['table']>;
	const own = typeof name === 'string' && !name.startsWith('<') ? (loops ?? 0) * (rows ?? 0) : 0;
	return Object.values(plan).reduce((sum: number, part) => sum + rowsOf(part), own);
}

/** The query that reads most rows of some, by running each again as the database explains it. */
export async function mostRead(
	db: Database,
	queries: readonly Query[]
): Promise<{ rows: number; sql: string }> {
	let most = { rows: 0, sql: '' };
	for (const { sql, values } of queries) {
		if (!/^\s*(select|\(select|with)/i.test(sql) || /for update/i.test(sql)) continue;
		const [[row]] = (await db.raw(`ANALYZE FORMAT=JSON ${sql}`, values as never)) as [
			Record<string, string>[]
		];
		const rows = rowsOf(JSON.parse(Object.values(row ?? {})[0] ?? '{}'));
		if (rows > most.rows) most = { rows, sql };
	}
	return most;
}
