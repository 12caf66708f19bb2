import type { Knex } from 'knex';
import { check, idColumn, jsonColumn, kitchenTable, refers, timeColumn } from '../columns.ts';
import { countChanges } from '../counted.ts';

/**
 * A day's work planned backwards: what was wished of it, and what was taken of the plan. Batches begun from it point at
 * what of it they are.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('plans', (table) => {
		kitchenTable(table);
		table.date('day').notNullable();
		table.string('place', 60).notNullable();
		jsonColumn(table, 'wish').notNullable();
		jsonColumn(table, 'taken');
		timeColumn(table, 'taken_at');
		table.integer('version').unsigned().notNullable().defaultTo(1);
		timeColumn(table, 'created_at').notNullable();
		timeColumn(table, 'updated_at').notNullable();
		table.unique(['kitchen_id', 'day', 'place']);
	});
	await check(knex, 'plans', 'plans_wish', 'JSON_VALID(wish)');
	await check(knex, 'plans', 'plans_taken', 'taken IS NULL OR JSON_VALID(taken)');
	await check(knex, 'plans', 'plans_taken_at', '(taken IS NULL) = (taken_at IS NULL)');
	await knex.schema.createTable('plan_batches', (table) => {
		kitchenTable(table);
		idColumn(table, 'plan_id').notNullable();
		idColumn(table, 'batch_id').notNullable();
		// Which make of the plan it is.
		table.string('make', 60).notNullable();
		refers(table, 'plan_id', 'plans');
		refers(table, 'batch_id', 'batches');
		table.unique(['plan_id', 'make']);
		table.unique(['batch_id']);
	});
	for (const table of ['plans', 'plan_batches']) await countChanges(knex, table);
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('plan_batches');
	await knex.schema.dropTable('plans');
}
