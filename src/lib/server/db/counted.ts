import type { Knex } from 'knex';

const EVENTS = [
	['inserted', 'INSERT', 'NEW'],
	['updated', 'UPDATE', 'NEW'],
	['deleted', 'DELETE', 'OLD']
] as const;

/** The column of a table that says whose a row is. */
const kitchenOf = (table: string): string => (table === 'kitchens' ? 'id' : 'kitchen_id');

/**
 * From now on the database itself counts every change of a table's rows, whoever makes it, in the transaction that
 * makes it: what was read while the count stood still is still true.
 */
export async function countChanges(knex: Knex, table: string): Promise<void> {
	for (const [name, event, row] of EVENTS)
		await knex.raw(
			`CREATE TRIGGER ${table}_${name} AFTER ${event} ON ${table} FOR EACH ROW
			INSERT INTO changes (kitchen_id, of_table, number) VALUES (${row}.${kitchenOf(table)}, '${table}', 1)
			ON DUPLICATE KEY UPDATE number = number + 1`
		);
}

/** For undoing a migration. */
export async function countNoMore(knex: Knex, table: string): Promise<void> {
	for (const [name] of EVENTS) await knex.raw(`DROP TRIGGER IF EXISTS ${table}_${name}`);
}

/** Every table with rows of a kitchen, but the counts themselves. */
export async function tablesOfKitchens(knex: Knex): Promise<string[]> {
	const [rows] = (await knex.raw(
		`SELECT c.table_name AS name FROM information_schema.columns c
		WHERE c.table_schema = DATABASE() AND c.column_name = 'kitchen_id' AND c.table_name <> 'changes'
		ORDER BY c.table_name`
	)) as [{ name: string }[]];
	return ['kitchens', ...rows.map(({ name }) => name)];
}
