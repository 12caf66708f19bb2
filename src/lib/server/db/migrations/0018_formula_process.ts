import type { Knex } from 'knex';
import { check, jsonColumn } from '../columns.ts';

/** How a version is made: its family, the choices where makers disagree, and its steps. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('formula_versions', (table) => {
		table.string('family', 60).notNullable().defaultTo('');
		jsonColumn(table, 'choices').notNullable().defaultTo('{}');
		jsonColumn(table, 'steps').notNullable().defaultTo('[]');
	});
	await check(knex, 'formula_versions', 'formula_versions_choices', 'JSON_VALID(choices)');
	await check(knex, 'formula_versions', 'formula_versions_steps', 'JSON_VALID(steps)');
}

export async function down(knex: Knex): Promise<void> {
	for (const name of ['formula_versions_choices', 'formula_versions_steps'])
		await knex.raw('ALTER TABLE formula_versions DROP CONSTRAINT ??', [name]);
	await knex.schema.alterTable('formula_versions', (table) =>
		table.dropColumns('family', 'choices', 'steps')
	);
}
