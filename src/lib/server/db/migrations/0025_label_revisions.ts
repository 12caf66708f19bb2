import type { Knex } from 'knex';
import { check, gramsColumn, idColumn, jsonColumn, kitchenTable, refers, timeColumn } from '../columns.ts';

/** An approved label: what it says and the facts behind it, frozen, prices aside. Append-only. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('label_revisions', (table) => {
		kitchenTable(table);
		idColumn(table, 'label_id').notNullable();
		idColumn(table, 'formula_version_id').notNullable();
		table.integer('number').notNullable();
		gramsColumn(table, 'declared_g').notNullable();
		jsonColumn(table, 'content').notNullable();
		jsonColumn(table, 'facts').notNullable();
		timeColumn(table, 'approved_at').notNullable();
		refers(table, 'label_id', 'labels');
		refers(table, 'formula_version_id', 'formula_versions');
		table.unique(['label_id', 'number']);
	});
	await check(knex, 'label_revisions', 'label_revisions_content', 'JSON_VALID(content)');
	await check(knex, 'label_revisions', 'label_revisions_facts', 'JSON_VALID(facts)');
	await check(knex, 'label_revisions', 'label_revisions_number', 'number >= 1');
	await check(knex, 'label_revisions', 'label_revisions_declared', 'declared_g > 0');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('label_revisions');
}
