import type { Knex } from 'knex';
import { check } from '../columns.ts';

/** Packs of a batch that are gone without being sold: given, tasted at the stall, written off. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('batches', (table) => {
		table.integer('packs_given').unsigned().notNullable().defaultTo(0);
	});
	await knex.raw('ALTER TABLE batches DROP CONSTRAINT batches_sold');
	await check(knex, 'batches', 'batches_sold', 'packs_sold + packs_given <= packs_made');
	await knex.schema.alterTable('batches', (table) => table.index(['kitchen_id', 'product_id', 'made_on']));
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('ALTER TABLE batches DROP CONSTRAINT batches_sold');
	// The key of the reference to products may stand on the index: it gets one of its own first.
	await knex.raw('CREATE INDEX IF NOT EXISTS batches_product ON batches (kitchen_id, product_id)');
	await knex.schema.alterTable('batches', (table) => {
		table.dropIndex(['kitchen_id', 'product_id', 'made_on']);
		table.dropColumn('packs_given');
	});
	await check(knex, 'batches', 'batches_sold', 'packs_sold <= packs_made');
}
