import type { Knex } from 'knex';
import { check } from '../columns.ts';

/** How a kitchen writes its days, and the day its week begins with: 0 is Sunday. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('kitchens', (table) => {
		table.string('locale', 35).notNullable().defaultTo('en-GB');
		table.integer('week_starts').unsigned().notNullable().defaultTo(1);
	});
	await knex('kitchens').where('rules', 'us').update({ locale: 'en-US', week_starts: 0 });
	await check(knex, 'kitchens', 'kitchens_week', 'week_starts BETWEEN 0 AND 6');
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('ALTER TABLE kitchens DROP CONSTRAINT kitchens_week');
	await knex.schema.alterTable('kitchens', (table) => {
		table.dropColumn('locale');
		table.dropColumn('week_starts');
	});
}
