import type { Knex } from 'knex';
import { idColumn, timeColumn } from '../columns.ts';

/**
 * What was made under a key that came with the request, by whom and by which act: sent again by the same it is the
 * same, and by nobody else (`db/once.ts`). A kitchen is one of practice from its first moment or never.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('creations', (table) => {
		table.charset('utf8mb4');
		table.collate('utf8mb4_unicode_520_ci');
		table.specificType('of_table', 'VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin').notNullable();
		idColumn(table, 'id').notNullable();
		// No reference: a kitchen that is made is not there yet. It goes with its kitchen (`life/rows.ts`).
		idColumn(table, 'kitchen_id').notNullable();
		idColumn(table, 'person_id');
		table.string('act', 120).notNullable();
		// Whose turn it is that put the row in, of those that come at once.
		idColumn(table, 'turn').notNullable();
		timeColumn(table, 'made_at').notNullable();
		table.primary(['of_table', 'id']);
		table.index(['kitchen_id']);
	});
	await knex.raw(
		`CREATE TRIGGER kitchens_practice_stays BEFORE UPDATE ON kitchens FOR EACH ROW
		IF NOT (NEW.practice_of <=> OLD.practice_of) THEN
			SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'a kitchen is one of practice from the beginning or never';
		END IF`
	);
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('DROP TRIGGER kitchens_practice_stays');
	await knex.schema.dropTable('creations');
}
