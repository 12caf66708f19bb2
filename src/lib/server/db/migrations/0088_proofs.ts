import type { Knex } from 'knex';
import { timeColumn } from '../columns.ts';

/**
 * When who is in last proved who they are; the secret of a second factor between its two steps, which no page has to
 * keep; and who was first in an installation, of whom there is one.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('sessions', (table) => void timeColumn(table, 'proved_at'));
	await knex.schema.alterTable('persons', (table) => {
		table.string('second_pending', 120);
		table.tinyint('is_first').unsigned().unique();
	});
	await knex.raw(
		'UPDATE persons SET is_first = 1 WHERE is_demo = 0 AND login IS NOT NULL ORDER BY created_at, id LIMIT 1'
	);
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('persons', (table) => table.dropColumns('second_pending', 'is_first'));
	await knex.schema.alterTable('sessions', (table) => table.dropColumn('proved_at'));
}
