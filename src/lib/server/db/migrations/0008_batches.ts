import type { Knex } from 'knex';
import { check, gramsColumn, idColumn, kitchenTable, moneyColumn, refers, timeColumn } from '../columns.ts';

export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('batches', (table) => {
		kitchenTable(table);
		idColumn(table, 'product_id').notNullable();
		idColumn(table, 'formula_version_id').notNullable();
		table.string('code', 12).notNullable();
		table.date('made_on').notNullable();
		table.enum('mix_gap', ['residue', 'evaporation']).notNullable();
		// What was planned and packed on the day, so that a later change of the product leaves it true.
		gramsColumn(table, 'ball_weight_g').notNullable();
		table.integer('pack_pieces').unsigned().notNullable();
		table.specificType('materials', 'LONGTEXT').notNullable();
		moneyColumn(table, 'price');
		table.integer('serving_pieces').unsigned();
		table.integer('ball_count').unsigned();
		table.integer('rejects').unsigned().notNullable().defaultTo(0);
		table.string('note', 1000).notNullable().defaultTo('');
		table.integer('packs_made').unsigned().notNullable().defaultTo(0);
		table.integer('packs_sold').unsigned().notNullable().defaultTo(0);
		table.integer('version').unsigned().notNullable().defaultTo(1);
		timeColumn(table, 'created_at').notNullable();
		timeColumn(table, 'updated_at').notNullable();
		refers(table, 'product_id', 'products');
		refers(table, 'formula_version_id', 'formula_versions');
		table.unique(['kitchen_id', 'code']);
		table.index(['kitchen_id', 'made_on']);
	});
	await check(knex, 'batches', 'batches_sold', 'packs_sold <= packs_made');
	await check(knex, 'batches', 'batches_ball', 'ball_weight_g > 0');
	await check(knex, 'batches', 'batches_pack', 'pack_pieces >= 1');
	await check(knex, 'batches', 'batches_rejects', 'ball_count IS NULL OR rejects <= ball_count');
	await check(knex, 'batches', 'batches_materials', 'JSON_VALID(materials)');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('batches');
}
