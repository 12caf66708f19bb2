import type { Knex } from 'knex';
import { check } from '../columns.ts';

/** Why a version was kept, where it was reformulated; and of a trial batch what it was promised to be. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('formula_versions', (table) => {
		table.string('reason', 500).notNullable().defaultTo('');
	});
	await knex.schema.alterTable('batches', (table) => {
		table.text('trial', 'longtext');
	});
	await check(knex, 'batches', 'batches_trial', 'trial IS NULL OR JSON_VALID(trial)');
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('ALTER TABLE batches DROP CONSTRAINT ??', ['batches_trial']);
	await knex.schema.alterTable('batches', (table) => table.dropColumn('trial'));
	await knex.schema.alterTable('formula_versions', (table) => table.dropColumn('reason'));
}
