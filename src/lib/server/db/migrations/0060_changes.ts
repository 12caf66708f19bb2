import type { Knex } from 'knex';
import { idColumn } from '../columns.ts';
import { countChanges, countNoMore, tablesOfKitchens } from '../counted.ts';

/** How often the rows of each table of a kitchen were changed. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('changes', (table) => {
		table.charset('utf8mb4');
		table.collate('utf8mb4_unicode_520_ci');
		idColumn(table, 'kitchen_id').notNullable();
		table.specificType('of_table', 'VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin').notNullable();
		table.bigInteger('number').unsigned().notNullable();
		table.primary(['kitchen_id', 'of_table']);
	});
	for (const table of await tablesOfKitchens(knex)) await countChanges(knex, table);
}

export async function down(knex: Knex): Promise<void> {
	for (const table of await tablesOfKitchens(knex)) await countNoMore(knex, table);
	await knex.schema.dropTable('changes');
}
