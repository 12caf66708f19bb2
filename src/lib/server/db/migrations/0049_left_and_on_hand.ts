import type { Knex } from 'knex';

/** What is left of batches and lots can be asked for without reading those that are gone. */
export async function up(knex: Knex): Promise<void> {
	await knex.raw(
		`ALTER TABLE batches ADD COLUMN packs_left INT AS (
			CAST(packs_made AS SIGNED) - CAST(packs_sold AS SIGNED) - CAST(packs_given AS SIGNED)
		) PERSISTENT`
	);
	await knex.schema.alterTable('batches', (table) => {
		table.index(['kitchen_id', 'packs_left']);
		table.index(['kitchen_id', 'closed_at', 'packs_made']);
	});
	await knex.schema.alterTable('lots', (table) => {
		table.index(['kitchen_id', 'on_hand']);
		table.index(['kitchen_id', 'ingredient_id', 'material', 'received_on'], 'lots_since');
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('lots', (table) => {
		table.dropIndex(['kitchen_id', 'on_hand']);
		table.dropIndex([], 'lots_since');
	});
	await knex.schema.alterTable('batches', (table) => {
		table.dropIndex(['kitchen_id', 'packs_left']);
		table.dropIndex(['kitchen_id', 'closed_at', 'packs_made']);
		table.dropColumn('packs_left');
	});
}
