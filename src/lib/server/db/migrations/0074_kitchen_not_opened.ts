import type { Knex } from 'knex';
import { timeColumn } from '../columns.ts';

/** Which kitchen is open is of each device, in its session; no longer of the installation. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('kitchens', (table) => table.dropColumn('opened_at'));
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('kitchens', (table) => timeColumn(table, 'opened_at'));
}
