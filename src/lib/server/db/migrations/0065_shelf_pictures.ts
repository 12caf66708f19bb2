import type { Knex } from 'knex';
import { kitchenTable, timeColumn } from '../columns.ts';
import { countChanges } from '../counted.ts';
import { mayChange, neverChanges } from '../triggers.ts';

/**
 * A picture of what was found on a day of a shelf-life test, under the day's own id: evidence, so append-only. As text, so
 * that an archive carries it like everything else.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('shelf_test_pictures', (table) => {
		kitchenTable(table);
		table.specificType('jpeg_base64', 'MEDIUMTEXT CHARACTER SET ascii COLLATE ascii_bin').notNullable();
		timeColumn(table, 'created_at').notNullable();
		table.foreign(['kitchen_id', 'id']).references(['kitchen_id', 'id']).inTable('shelf_test_days');
	});
	await neverChanges(
		knex,
		'shelf_test_pictures',
		'a shelf-life test is never edited: note what was found again'
	);
	await countChanges(knex, 'shelf_test_pictures');
}

export async function down(knex: Knex): Promise<void> {
	await mayChange(knex, 'shelf_test_pictures');
	await knex.schema.dropTable('shelf_test_pictures');
}
