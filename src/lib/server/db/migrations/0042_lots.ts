import type { Knex } from 'knex';
import { check, gramsColumn, idColumn, kitchenTable, moneyColumn, refers, timeColumn } from '../columns.ts';

/**
 * What was received: a lot of an ingredient in grams, or of a packaging material in pieces. `on_hand` is
 * the sum of the lot's moves, kept beside them so that nothing has to add ten years of them up.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('lots', (table) => {
		kitchenTable(table);
		table.string('code', 20).notNullable();
		idColumn(table, 'ingredient_id');
		table.string('material', 80);
		table.string('supplier', 120).notNullable().defaultTo('');
		table.string('supplier_code', 60).notNullable().defaultTo('');
		table.date('received_on').notNullable();
		gramsColumn(table, 'received').notNullable();
		gramsColumn(table, 'on_hand').notNullable();
		moneyColumn(table, 'amount');
		table.decimal('usable', 6, 4).notNullable().defaultTo(1);
		table.date('best_before');
		table.string('note', 300).notNullable().defaultTo('');
		timeColumn(table, 'created_at').notNullable();
		refers(table, 'ingredient_id', 'ingredients');
		table.unique(['kitchen_id', 'code']);
		table.index(['kitchen_id', 'ingredient_id', 'received_on', 'id']);
		table.index(['kitchen_id', 'material', 'received_on', 'id']);
		table.index(['kitchen_id', 'supplier_code']);
	});
	await check(knex, 'lots', 'lots_of', '(ingredient_id IS NULL) <> (material IS NULL)');
	await check(knex, 'lots', 'lots_material', "material IS NULL OR TRIM(material) <> ''");
	await check(knex, 'lots', 'lots_received', 'received > 0');
	await check(knex, 'lots', 'lots_usable', 'usable > 0 AND usable <= 1');
	await check(knex, 'lots', 'lots_amount', 'amount IS NULL OR amount >= 0');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('lots');
}
