import type { Knex } from 'knex';
import { check } from '../columns.ts';

/** What was counted apart from the balls, so that counts can be held against each other; and empty weights of bowls. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('batches', (table) => {
		table.integer('sellable_counted').unsigned();
		table.integer('packs_counted').unsigned();
		table.integer('loose_counted').unsigned();
	});
	await knex.schema.alterTable('equipment', (table) => {
		table.decimal('tare_g', 12, 3);
	});
	await check(knex, 'equipment', 'equipment_tare', 'tare_g IS NULL OR tare_g > 0');
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('ALTER TABLE equipment DROP CONSTRAINT equipment_tare');
	await knex.schema.alterTable('equipment', (table) => table.dropColumn('tare_g'));
	await knex.schema.alterTable('batches', (table) => {
		table.dropColumn('sellable_counted');
		table.dropColumn('packs_counted');
		table.dropColumn('loose_counted');
	});
}
