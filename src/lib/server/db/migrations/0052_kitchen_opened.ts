import type { Knex } from 'knex';
import { timeColumn } from '../columns.ts';

/** Several kitchens may lie in one database; the installation serves the one that was opened last. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('kitchens', (table) => timeColumn(table, 'opened_at'));
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('kitchens', (table) => table.dropColumn('opened_at'));
}
