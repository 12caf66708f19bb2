import type { Knex } from 'knex';
import { check, idColumn, jsonColumn, kitchenTable, refers, timeColumn } from '../columns.ts';

/** What the maker decides of a product's label: its words, size and format. One label a product. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('labels', (table) => {
		kitchenTable(table);
		idColumn(table, 'product_id').notNullable();
		table.integer('version').notNullable().defaultTo(1);
		jsonColumn(table, 'design').notNullable();
		timeColumn(table, 'created_at').notNullable();
		timeColumn(table, 'updated_at').notNullable();
		refers(table, 'product_id', 'products');
		table.unique(['product_id']);
	});
	await check(knex, 'labels', 'labels_design', 'JSON_VALID(design)');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('labels');
}
