import type { Knex } from 'knex';
import { check, jsonColumn } from '../columns.ts';

/** How wide and thick a piece is opened, and the discs the maker weighed to know the dough's density. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('products', (table) => {
		table.decimal('diameter_cm', 6, 2);
		table.decimal('thickness_mm', 6, 2);
		jsonColumn(table, 'discs').notNullable().defaultTo('[]');
	});
	await check(knex, 'products', 'products_discs', 'JSON_VALID(discs)');
	await check(knex, 'products', 'products_diameter', 'diameter_cm IS NULL OR diameter_cm > 0');
	await check(knex, 'products', 'products_thickness', 'thickness_mm IS NULL OR thickness_mm > 0');
}

export async function down(knex: Knex): Promise<void> {
	for (const name of ['products_discs', 'products_diameter', 'products_thickness'])
		await knex.raw('ALTER TABLE products DROP CONSTRAINT ??', [name]);
	await knex.schema.alterTable('products', (table) =>
		table.dropColumns('diameter_cm', 'thickness_mm', 'discs')
	);
}
