import type { Knex } from 'knex';
import { check, gramsColumn, idColumn, timeColumn } from '../columns.ts';

export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('kitchens', (table) => {
		table.charset('utf8mb4');
		table.collate('utf8mb4_unicode_520_ci');
		idColumn(table, 'id').primary();
		table.string('name', 120).notNullable();
		table.string('town', 120).notNullable().defaultTo('');
		table.string('time_zone', 64).notNullable();
		table.specificType('currency', 'CHAR(3)').notNullable();
		table.enum('rules', ['us', 'eu']).notNullable();
		// What the kitchen's scale shows: the smallest step of a reading.
		gramsColumn(table, 'scale_division_g').notNullable().defaultTo(1);
		timeColumn(table, 'created_at').notNullable();
	});
	await check(knex, 'kitchens', 'kitchens_currency', "currency REGEXP '^[A-Z]{3}$'");
	await check(knex, 'kitchens', 'kitchens_scale', 'scale_division_g > 0');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('kitchens');
}
