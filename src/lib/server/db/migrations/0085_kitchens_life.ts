import type { Knex } from 'knex';
import { check, idColumn, jsonColumn, timeColumn } from '../columns.ts';
import { goesWithItsKitchen, staysForGood } from '../triggers.ts';

/**
 * A kitchen’s life: it arrives out of an archive, part by part, is open, may be closed and opened again, and leaves with
 * everything of it. What is evidence vanishes with the whole kitchen and never before; that it went, and what went with
 * it, is kept for whoever took it away.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('kitchens', (table) => {
		table.string('state', 10).notNullable().defaultTo('open');
		timeColumn(table, 'closed_at');
	});
	await check(knex, 'kitchens', 'kitchens_state', "state IN ('arriving', 'open', 'closed', 'leaving')");
	for (const guard of await guards(knex)) await goesWithItsKitchen(knex, guard);
	await knex.schema.createTable('deleted_kitchens', (table) => {
		table.charset('utf8mb4');
		table.collate('utf8mb4_unicode_520_ci');
		// The id it had.
		idColumn(table, 'id').primary();
		table.string('name', 120).notNullable();
		idColumn(table, 'person_id').references('persons.id').onDelete('SET NULL');
		table.string('by_name', 120).notNullable();
		timeColumn(table, 'begun_at').notNullable();
		timeColumn(table, 'deleted_at').notNullable();
		jsonColumn(table, 'went').notNullable();
		table.index(['person_id', 'deleted_at']);
	});
	await check(knex, 'deleted_kitchens', 'deleted_kitchens_went', 'JSON_VALID(went)');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('deleted_kitchens');
	for (const guard of await guards(knex)) await staysForGood(knex, guard);
	await knex.raw('ALTER TABLE kitchens DROP CONSTRAINT kitchens_state');
	await knex.schema.alterTable('kitchens', (table) => {
		table.dropColumns('state', 'closed_at');
	});
}

/** Tables whose rows never vanish. */
async function guards(knex: Knex): Promise<string[]> {
	const [rows] = (await knex.raw(
		`SELECT EVENT_OBJECT_TABLE AS name FROM information_schema.TRIGGERS
		WHERE TRIGGER_SCHEMA = DATABASE() AND TRIGGER_NAME LIKE '%\\_never\\_vanish' ORDER BY 1`
	)) as [{ name: string }[]];
	return rows.map(({ name }) => name);
}
