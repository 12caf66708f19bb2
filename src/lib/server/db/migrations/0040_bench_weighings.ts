import type { Knex } from 'knex';
import { check } from '../columns.ts';
import { mayChange, neverChanges } from '../triggers.ts';

const BEFORE = ['line', 'consumed', 'uptake', 'dough', 'ball', 'leftover', 'finished'];
const AFTER = [
	'line',
	'consumed',
	'uptake',
	'set out',
	'returned',
	'swept',
	'dough',
	'ball',
	'leftover',
	'finished',
	'pack'
];

/** Weighings at the bench: what is set out, returned and swept up, whole packs, and how each was taken. */
export async function up(knex: Knex): Promise<void> {
	await knex.raw('ALTER TABLE weighings DROP CONSTRAINT weighings_line');
	await kinds(knex, AFTER);
	await knex.schema.alterTable('weighings', (table) => {
		table.enum('taken_by', ['scale', 'typed']).notNullable().defaultTo('typed');
	});
	await check(
		knex,
		'weighings',
		'weighings_line',
		"(what IN ('line', 'consumed', 'uptake', 'set out', 'returned', 'swept')) = (line_id IS NOT NULL)"
	);
}

/** What the older tables have no word for is not kept by them. */
export async function down(knex: Knex): Promise<void> {
	await knex.raw('ALTER TABLE weighings DROP CONSTRAINT weighings_line');
	await knex.schema.alterTable('weighings', (table) => table.dropColumn('taken_by'));
	await mayChange(knex, 'weighings');
	// A correction is younger than what it corrects, and goes first.
	await knex.raw(
		`DELETE FROM weighings WHERE what NOT IN (${BEFORE.map(() => '?').join(', ')}) ORDER BY id DESC`,
		BEFORE
	);
	await neverChanges(knex, 'weighings', 'a weighing is never edited: add a correction');
	await kinds(knex, BEFORE);
	await check(
		knex,
		'weighings',
		'weighings_line',
		"(what IN ('line', 'consumed', 'uptake')) = (line_id IS NOT NULL)"
	);
}

async function kinds(knex: Knex, what: readonly string[]): Promise<void> {
	const list = what.map((each) => `'${each}'`).join(', ');
	await knex.raw(`ALTER TABLE weighings MODIFY what ENUM(${list}) NOT NULL`);
}
