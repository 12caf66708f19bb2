import type { Knex } from 'knex';
import { check } from '../columns.ts';

/** Loose pieces made up into a pack that holds fewer: whether the kitchen does so, and which sale was one. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('kitchens', (table) => {
		table.boolean('sells_short').notNullable().defaultTo(false);
	});
	await knex.schema.alterTable('sales', (table) => {
		// How many pieces are in it, of a short pack; null of a full one.
		table.integer('pieces').unsigned();
	});
	await check(knex, 'sales', 'sales_pieces', 'pieces IS NULL OR (pieces > 0 AND ABS(packs) = 1)');
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('ALTER TABLE sales DROP CONSTRAINT sales_pieces');
	await knex.schema.alterTable('sales', (table) => table.dropColumn('pieces'));
	await knex.schema.alterTable('kitchens', (table) => table.dropColumn('sells_short'));
}
