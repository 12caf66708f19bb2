import type { Knex } from 'knex';
import { check, gramsColumn } from '../columns.ts';

/** A line as it was said, the range that gave, the most that may go in, and whether the batch weighs it. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('formula_lines', (table) => {
		table.string('said', 300).notNullable().defaultTo('');
		table.string('note', 300).notNullable().defaultTo('');
		gramsColumn(table, 'low_g');
		gramsColumn(table, 'high_g');
		gramsColumn(table, 'most_g');
		table.boolean('to_weigh').notNullable().defaultTo(false);
	});
	await check(knex, 'formula_lines', 'formula_lines_most', 'most_g IS NULL OR most_g >= grams');
	await check(
		knex,
		'formula_lines',
		'formula_lines_range',
		'low_g IS NULL OR (low_g >= 0 AND low_g <= high_g)'
	);
	await knex.schema.alterTable('batch_lines', (table) => {
		gramsColumn(table, 'most_g');
		table.boolean('to_weigh').notNullable().defaultTo(false);
	});
	await check(knex, 'batch_lines', 'batch_lines_most', 'most_g IS NULL OR most_g >= planned_g');
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('ALTER TABLE batch_lines DROP CONSTRAINT batch_lines_most');
	await knex.schema.alterTable('batch_lines', (table) => table.dropColumns('most_g', 'to_weigh'));
	for (const name of ['formula_lines_most', 'formula_lines_range'])
		await knex.raw('ALTER TABLE formula_lines DROP CONSTRAINT ??', [name]);
	await knex.schema.alterTable('formula_lines', (table) =>
		table.dropColumns('said', 'note', 'low_g', 'high_g', 'most_g', 'to_weigh')
	);
}
