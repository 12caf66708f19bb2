import type { Knex } from 'knex';
import { countChanges } from '../counted.ts';
import { check, idColumn, jsonColumn, kitchenTable, timeColumn } from '../columns.ts';

/**
 * Entries a device could not hand in as who made them: their role was changed, they were removed, or they took them off
 * with a reason. Each waits here, under its own id, until the owner records it or lets it go; it is never kept twice.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('left_entries', (table) => {
		kitchenTable(table);
		idColumn(table, 'membership_id').notNullable();
		table.string('queue', 10).notNullable();
		jsonColumn(table, 'item').notNullable();
		table.string('message', 500).notNullable();
		table.string('state', 10).notNullable().defaultTo('waits');
		table.string('reason', 300).notNullable().defaultTo('');
		timeColumn(table, 'left_at').notNullable();
		timeColumn(table, 'decided_at');
		idColumn(table, 'deed_id');
		table.index(['kitchen_id', 'state', 'left_at']);
	});
	await check(knex, 'left_entries', 'left_entries_item', 'JSON_VALID(item)');
	await check(knex, 'left_entries', 'left_entries_queue', "queue IN ('bench', 'till')");
	await check(knex, 'left_entries', 'left_entries_state', "state IN ('waits', 'recorded', 'let go')");
	await knex.raw(
		`CREATE TRIGGER left_entries_done_by BEFORE INSERT ON left_entries FOR EACH ROW
		SET NEW.deed_id = COALESCE(NEW.deed_id, @deed)`
	);
	await countChanges(knex, 'left_entries');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('left_entries');
}
