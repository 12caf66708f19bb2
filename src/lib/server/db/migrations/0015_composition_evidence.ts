import type { Knex } from 'knex';
import { check, gramsColumn, jsonColumn } from '../columns.ts';

/** The day of a source, what was typed from a pack per serving, and the intervals its rounding leaves. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('ingredient_compositions', (table) => {
		table.date('source_on');
		gramsColumn(table, 'serving_g');
		jsonColumn(table, 'printed');
		jsonColumn(table, 'intervals');
	});
	await knex.raw(
		"ALTER TABLE ingredient_compositions MODIFY source ENUM('specification', 'pack', 'reference', 'estimate', 'mix') NOT NULL"
	);
	await check(knex, 'ingredient_compositions', 'compositions_serving', 'serving_g IS NULL OR serving_g > 0');
	await check(
		knex,
		'ingredient_compositions',
		'compositions_printed',
		'printed IS NULL OR JSON_VALID(printed)'
	);
	await check(
		knex,
		'ingredient_compositions',
		'compositions_intervals',
		'intervals IS NULL OR JSON_VALID(intervals)'
	);
}

export async function down(knex: Knex): Promise<void> {
	for (const name of ['compositions_serving', 'compositions_printed', 'compositions_intervals'])
		await knex.raw('ALTER TABLE ingredient_compositions DROP CONSTRAINT ??', [name]);
	// Without mixes, what follows from lines is an estimate.
	await knex('ingredient_compositions').where('source', 'mix').update({ source: 'estimate' });
	await knex.raw(
		"ALTER TABLE ingredient_compositions MODIFY source ENUM('specification', 'pack', 'reference', 'estimate') NOT NULL"
	);
	await knex.schema.alterTable('ingredient_compositions', (table) =>
		table.dropColumns('source_on', 'serving_g', 'printed', 'intervals')
	);
}
