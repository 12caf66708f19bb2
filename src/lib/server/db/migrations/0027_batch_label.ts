import type { Knex } from 'knex';
import { idColumn, refers } from '../columns.ts';

/** The label revision a batch was packed under; null where none was approved then. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('batches', (table) => {
		idColumn(table, 'label_revision_id');
		refers(table, 'label_revision_id', 'label_revisions');
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('batches', (table) => {
		table.dropForeign(['kitchen_id', 'label_revision_id']);
		table.dropColumn('label_revision_id');
	});
}
