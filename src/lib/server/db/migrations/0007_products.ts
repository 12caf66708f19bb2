import type { Knex } from 'knex';
import { check, gramsColumn, idColumn, kitchenTable, moneyColumn, refers, timeColumn } from '../columns.ts';

export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('products', (table) => {
		kitchenTable(table);
		idColumn(table, 'formula_id').notNullable();
		table.string('piece_one', 40).notNullable();
		table.string('piece_many', 40).notNullable();
		table.enum('category', ['tortilla', 'flatbread', 'taco-shell']).notNullable();
		gramsColumn(table, 'ball_weight_g').notNullable();
		table.integer('pack_pieces').unsigned().notNullable();
		table.integer('serving_pieces').unsigned();
		moneyColumn(table, 'price');
		table.specificType('materials', 'LONGTEXT').notNullable();
		timeColumn(table, 'created_at').notNullable();
		refers(table, 'formula_id', 'formulas');
		table.unique(['formula_id', 'ball_weight_g', 'pack_pieces']);
	});
	await check(knex, 'products', 'products_ball', 'ball_weight_g > 0');
	await check(knex, 'products', 'products_pack', 'pack_pieces >= 1');
	await check(knex, 'products', 'products_price', 'price IS NULL OR price >= 0');
	await check(knex, 'products', 'products_serving', 'serving_pieces IS NULL OR serving_pieces IN (1, 2)');
	await check(knex, 'products', 'products_materials', 'JSON_VALID(materials)');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('products');
}
