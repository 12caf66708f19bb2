import type { Knex } from 'knex';
import { check, idColumn, jsonColumn, timeColumn } from '../columns.ts';

/**
 * Long work, done by whichever process takes it: a job is held for seconds at a time, and one whose process is gone is
 * taken up by another. What it is given and what it gives lies beside it in parts, none larger than one write of a
 * cluster should be. A job outlives its kitchen, which may be what it takes away: it has no reference to it.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('jobs', (table) => {
		table.charset('utf8mb4');
		table.collate('utf8mb4_unicode_520_ci');
		idColumn(table, 'id').primary();
		idColumn(table, 'kitchen_id').notNullable();
		idColumn(table, 'person_id').notNullable();
		table.string('kind', 20).notNullable();
		table.string('name', 200).notNullable();
		jsonColumn(table, 'asked').notNullable();
		table.string('state', 10).notNullable();
		table.bigInteger('done').unsigned().notNullable().defaultTo(0);
		// Nothing where nobody can say beforehand how much it is.
		table.bigInteger('done_of').unsigned();
		table.integer('tries').unsigned().notNullable().defaultTo(0);
		table.string('taken_by', 40);
		timeColumn(table, 'taken_until');
		jsonColumn(table, 'outcome');
		timeColumn(table, 'asked_at').notNullable();
		timeColumn(table, 'ended_at');
		// Who takes the next looks here, and so does who lets go of the old.
		table.index(['state', 'taken_until']);
		table.index(['kitchen_id', 'person_id', 'asked_at']);
	});
	await check(knex, 'jobs', 'jobs_asked', 'JSON_VALID(asked)');
	await check(knex, 'jobs', 'jobs_outcome', 'outcome IS NULL OR JSON_VALID(outcome)');
	await check(
		knex,
		'jobs',
		'jobs_state',
		"state IN ('coming', 'waiting', 'running', 'done', 'failed', 'stopped')"
	);
	await check(knex, 'jobs', 'jobs_taken', "(state = 'running') = (taken_by IS NOT NULL)");
	await check(
		knex,
		'jobs',
		'jobs_ended',
		"(state IN ('done', 'failed', 'stopped')) = (ended_at IS NOT NULL)"
	);
	await knex.schema.createTable('job_parts', (table) => {
		table.charset('utf8mb4');
		table.collate('utf8mb4_unicode_520_ci');
		idColumn(table, 'kitchen_id').notNullable();
		idColumn(table, 'job_id').notNullable().references('jobs.id').onDelete('CASCADE');
		table.string('side', 3).notNullable();
		table.integer('number').unsigned().notNullable();
		table.specificType('bytes', 'MEDIUMBLOB').notNullable();
		table.primary(['job_id', 'side', 'number']);
	});
	await check(knex, 'job_parts', 'job_parts_side', "side IN ('in', 'out')");
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('job_parts');
	await knex.schema.dropTable('jobs');
}
