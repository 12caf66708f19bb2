import type { Knex } from 'knex';
import { check, gramsColumn, idColumn, kitchenTable, moneyColumn, refers, timeColumn } from '../columns.ts';

export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('price_packs', (table) => {
		kitchenTable(table);
		idColumn(table, 'ingredient_id').notNullable();
		moneyColumn(table, 'amount').notNullable();
		gramsColumn(table, 'grams').notNullable();
		table.decimal('usable', 6, 5).notNullable().defaultTo(1);
		table.date('bought_on').notNullable();
		table.string('supplier', 120).notNullable().defaultTo('');
		timeColumn(table, 'created_at').notNullable();
		refers(table, 'ingredient_id', 'ingredients');
		table.index(['kitchen_id', 'ingredient_id', 'bought_on'], 'prices_in_force');
	});
	await check(knex, 'price_packs', 'price_packs_amount', 'amount >= 0');
	await check(knex, 'price_packs', 'price_packs_grams', 'grams > 0');
	await check(knex, 'price_packs', 'price_packs_usable', 'usable > 0 AND usable <= 1');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('price_packs');
}
