import type { Knex } from 'knex';
import { check, idColumn, jsonColumn, kitchenTable, timeColumn } from '../columns.ts';
import { countChanges, countNoMore } from '../counted.ts';
import { mayChange, neverChanges } from '../triggers.ts';

/**
 * Practice: each try of an exercise is a kitchen of its own that points at the one it is practised beside; a session
 * says which it is in. What the hands did there is never edited.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('kitchens', (table) => {
		idColumn(table, 'practice_of').references('kitchens.id');
	});
	await knex.schema.alterTable('sessions', (table) => {
		idColumn(table, 'practice_id').references('kitchens.id');
	});
	await knex.schema.createTable('practice_tries', (table) => {
		kitchenTable(table);
		idColumn(table, 'person_id').references('persons.id').onDelete('SET NULL');
		idColumn(table, 'beside_id').notNullable().references('kitchens.id');
		table.string('exercise', 40).notNullable();
		table.bigInteger('seed').unsigned().notNullable();
		// Where it is a slip of one’s own: the exercise, its formula, and what it was.
		jsonColumn(table, 'own');
		idColumn(table, 'batch_id');
		timeColumn(table, 'begun_at').notNullable();
		timeColumn(table, 'finished_at');
		// What was said to be wrong, and what came of it.
		jsonColumn(table, 'claims');
		jsonColumn(table, 'outcome');
		table.unique(['kitchen_id']);
		table.index(['person_id', 'beside_id', 'id']);
	});
	await check(knex, 'practice_tries', 'practice_own', 'own IS NULL OR JSON_VALID(own)');
	await check(
		knex,
		'practice_tries',
		'practice_outcome',
		'(finished_at IS NULL) = (outcome IS NULL) AND (finished_at IS NULL) = (claims IS NULL)'
	);
	await knex.schema.createTable('practice_moves', (table) => {
		kitchenTable(table);
		table.integer('number').unsigned().notNullable();
		table.string('verb', 20).notNullable();
		table.string('at', 60);
		timeColumn(table, 'made_at').notNullable();
		table.unique(['kitchen_id', 'number']);
	});
	await neverChanges(knex, 'practice_moves', 'what hands did in practice is never edited');
	for (const table of ['practice_tries', 'practice_moves']) await countChanges(knex, table);
}

export async function down(knex: Knex): Promise<void> {
	for (const table of ['practice_tries', 'practice_moves']) await countNoMore(knex, table);
	await mayChange(knex, 'practice_moves');
	await knex.schema.dropTable('practice_moves');
	await knex.schema.dropTable('practice_tries');
	await knex.schema.alterTable('sessions', (table) => {
		table.dropForeign('practice_id');
		table.dropColumn('practice_id');
	});
	await knex.schema.alterTable('kitchens', (table) => {
		table.dropForeign('practice_of');
		table.dropColumn('practice_of');
	});
}
