import type { Knex } from 'knex';
import { check, idColumn, kitchenTable, refers, timeColumn } from '../columns.ts';

/** What was sent to a label printer, and how many came out. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('print_jobs', (table) => {
		kitchenTable(table);
		idColumn(table, 'label_revision_id').notNullable();
		idColumn(table, 'batch_id');
		table.integer('copies').unsigned().notNullable();
		table.integer('printed').unsigned().notNullable();
		timeColumn(table, 'created_at').notNullable();
		timeColumn(table, 'updated_at').notNullable();
		refers(table, 'label_revision_id', 'label_revisions');
		refers(table, 'batch_id', 'batches');
	});
	await check(knex, 'print_jobs', 'print_jobs_printed', 'printed <= copies');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('print_jobs');
}
