import type { Knex } from 'knex';
import { check, kitchenTable, moneyColumn, timeColumn } from '../columns.ts';
import { neverChanges } from '../triggers.ts';

/**
 * What a kitchen pays beside ingredients: energy and labour from a day on, and what each place takes. Like
 * prices they are history: the newest from a day on or before stands. How long a batch took is noted with it.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('cost_rates', (table) => {
		kitchenTable(table);
		table.date('valid_from').notNullable();
		moneyColumn(table, 'tariff_per_kwh');
		moneyColumn(table, 'labour_per_hour');
		timeColumn(table, 'created_at').notNullable();
		table.index(['kitchen_id', 'valid_from']);
	});
	await check(knex, 'cost_rates', 'cost_rates_amounts', 'tariff_per_kwh >= 0 AND labour_per_hour >= 0');
	await neverChanges(knex, 'cost_rates', 'a rate is never edited: give a new one');
	await knex.schema.createTable('channel_fees', (table) => {
		kitchenTable(table);
		table.string('channel', 60).notNullable();
		table.date('valid_from').notNullable();
		moneyColumn(table, 'per_day').notNullable();
		table.decimal('share', 6, 4).notNullable();
		timeColumn(table, 'created_at').notNullable();
		table.index(['kitchen_id', 'channel', 'valid_from']);
	});
	await check(knex, 'channel_fees', 'channel_fees_amounts', 'per_day >= 0 AND share >= 0 AND share < 1');
	await check(knex, 'channel_fees', 'channel_fees_channel', "TRIM(channel) <> ''");
	await neverChanges(knex, 'channel_fees', 'a fee is never edited: give a new one');
	await knex.schema.alterTable('equipment', (table) => table.decimal('power_kw', 8, 3));
	await check(knex, 'equipment', 'equipment_power', 'power_kw > 0');
	await knex.schema.alterTable('batches', (table) => {
		table.decimal('heat_min', 7, 1);
		table.decimal('hands_min', 7, 1);
	});
	await check(knex, 'batches', 'batches_minutes', 'heat_min >= 0 AND hands_min >= 0');
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('ALTER TABLE batches DROP CONSTRAINT batches_minutes');
	await knex.schema.alterTable('batches', (table) => table.dropColumns('heat_min', 'hands_min'));
	await knex.raw('ALTER TABLE equipment DROP CONSTRAINT equipment_power');
	await knex.schema.alterTable('equipment', (table) => table.dropColumn('power_kw'));
	await knex.schema.dropTable('channel_fees');
	await knex.schema.dropTable('cost_rates');
}
