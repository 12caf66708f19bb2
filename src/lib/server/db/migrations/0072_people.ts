import type { Knex } from 'knex';
import { check, idColumn, kitchenTable, refers, timeColumn } from '../columns.ts';
import { countChanges, countNoMore } from '../counted.ts';
import { neverChanges } from '../triggers.ts';

/** A SHA-256 as hexadecimal digits: what is kept of a secret that is long and random by itself. */
const hashColumn = (table: Knex.CreateTableBuilder, name: string) =>
	table.specificType(name, 'CHAR(64) CHARACTER SET ascii COLLATE ascii_bin');

function plain(table: Knex.CreateTableBuilder): void {
	table.charset('utf8mb4');
	table.collate('utf8mb4_unicode_520_ci');
	idColumn(table, 'id').primary();
}

const TABLES = ['memberships', 'devices', 'pairings', 'deeds'];

/**
 * Who comes in, as what and on which device. Persons, their keys and their sessions are of the installation;
 * memberships, devices, invitations and deeds are of a kitchen.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('persons', (table) => {
		plain(table);
		table.string('name', 80).notNullable();
		// By which a person says who they are; null of one who only uses a short code at a shared device.
		table.string('login', 60).unique();
		table.string('password_hash', 255);
		table.string('second_secret', 120);
		// The last time step a code was taken of: none is taken twice.
		table.bigInteger('second_step').unsigned();
		table.boolean('is_demo').notNullable().defaultTo(false);
		timeColumn(table, 'created_at').notNullable();
		table.integer('version').unsigned().notNullable().defaultTo(1);
	});
	await knex.schema.createTable('recovery_codes', (table) => {
		plain(table);
		idColumn(table, 'person_id').notNullable().references('persons.id').onDelete('CASCADE');
		hashColumn(table, 'code_hash').notNullable();
		timeColumn(table, 'used_at');
		table.index(['person_id']);
	});
	await knex.schema.createTable('passkeys', (table) => {
		plain(table);
		idColumn(table, 'person_id').notNullable().references('persons.id').onDelete('CASCADE');
		table
			.specificType('credential_id', 'VARCHAR(400) CHARACTER SET ascii COLLATE ascii_bin')
			.notNullable()
			.unique();
		table.text('public_key').notNullable();
		table.bigInteger('counter').unsigned().notNullable();
		table.string('transports', 120).notNullable().defaultTo('');
		table.string('name', 80).notNullable();
		timeColumn(table, 'created_at').notNullable();
		timeColumn(table, 'last_used_at');
		table.index(['person_id']);
	});
	await knex.schema.createTable('memberships', (table) => {
		kitchenTable(table);
		idColumn(table, 'person_id').references('persons.id').onDelete('SET NULL');
		table.string('name', 80).notNullable();
		table.enum('role', ['owner', 'maker', 'seller', 'inspector']).notNullable();
		table.string('code_hash', 255);
		// The days an inspector may see, and until when.
		table.date('reads_from');
		table.date('reads_to');
		table.date('until_day');
		timeColumn(table, 'created_at').notNullable();
		timeColumn(table, 'ended_at');
		table.integer('version').unsigned().notNullable().defaultTo(1);
		table.unique(['kitchen_id', 'person_id']);
	});
	await check(
		knex,
		'memberships',
		'memberships_span',
		"(role = 'inspector') = (reads_from IS NOT NULL AND reads_to IS NOT NULL AND until_day IS NOT NULL)"
	);
	await knex.schema.createTable('devices', (table) => {
		kitchenTable(table);
		table.string('name', 80).notNullable();
		table.enum('kind', ['own', 'shared']).notNullable();
		hashColumn(table, 'token_hash');
		idColumn(table, 'membership_id');
		table.integer('idle_min').unsigned().notNullable().defaultTo(10);
		timeColumn(table, 'created_at').notNullable();
		timeColumn(table, 'put_out_at');
		refers(table, 'membership_id', 'memberships');
		table.unique(['kitchen_id', 'token_hash']);
		table.index(['token_hash']);
	});
	await knex.schema.createTable('pairings', (table) => {
		kitchenTable(table);
		hashColumn(table, 'code_hash').notNullable().unique();
		table.enum('kind', ['device', 'person']).notNullable();
		table.enum('device_kind', ['own', 'shared']);
		table.enum('role', ['owner', 'maker', 'seller', 'inspector']);
		table.string('name', 80).notNullable();
		table.date('reads_from');
		table.date('reads_to');
		table.date('until_day');
		idColumn(table, 'membership_id').notNullable();
		timeColumn(table, 'created_at').notNullable();
		timeColumn(table, 'ends_at').notNullable();
		timeColumn(table, 'used_at');
		refers(table, 'membership_id', 'memberships');
	});
	await knex.schema.createTable('sessions', (table) => {
		plain(table);
		idColumn(table, 'person_id').notNullable().references('persons.id').onDelete('CASCADE');
		hashColumn(table, 'token_hash').notNullable().unique();
		// What came before it: taken until the new one was used, and a little after.
		hashColumn(table, 'previous_hash').unique();
		timeColumn(table, 'previous_ends_at');
		idColumn(table, 'kitchen_id').references('kitchens.id');
		idColumn(table, 'device_id');
		table.enum('came_by', ['password', 'passkey', 'code', 'pairing', 'demo']).notNullable();
		timeColumn(table, 'created_at').notNullable();
		timeColumn(table, 'used_at').notNullable();
		timeColumn(table, 'rotated_at').notNullable();
		timeColumn(table, 'ends_at').notNullable();
		timeColumn(table, 'ended_at');
		table.foreign(['kitchen_id', 'device_id']).references(['kitchen_id', 'id']).inTable('devices');
		table.index(['person_id', 'ended_at']);
		table.index(['device_id']);
	});
	await knex.schema.createTable('deeds', (table) => {
		kitchenTable(table);
		idColumn(table, 'membership_id').notNullable();
		idColumn(table, 'device_id');
		timeColumn(table, 'done_at').notNullable();
		table.string('what', 80).notNullable();
		table.string('path', 200).notNullable();
		table.string('of_what', 200).notNullable().defaultTo('');
		refers(table, 'membership_id', 'memberships');
		refers(table, 'device_id', 'devices');
		table.index(['kitchen_id', 'done_at', 'id']);
		table.index(['kitchen_id', 'membership_id', 'id']);
	});
	await neverChanges(knex, 'deeds', 'who did what is never edited');
	// What a passkey is asked to sign, until it has or some minutes are over.
	await knex.schema.createTable('challenges', (table) => {
		table.specificType('challenge', 'VARCHAR(120) CHARACTER SET ascii COLLATE ascii_bin').primary();
		timeColumn(table, 'ends_at').notNullable();
	});
	// As `rate-limiter-flexible` wants it.
	await knex.schema.createTable('rate_limits', (table) => {
		table.specificType('key', 'VARCHAR(255) CHARACTER SET ascii COLLATE ascii_bin').primary();
		table.integer('points').notNullable().defaultTo(0);
		table.bigInteger('expire').unsigned();
	});
	for (const table of ['memberships', 'devices']) await countChanges(knex, table);
}

export async function down(knex: Knex): Promise<void> {
	for (const table of ['memberships', 'devices']) await countNoMore(knex, table);
	await knex.schema.dropTable('rate_limits');
	await knex.schema.dropTable('challenges');
	await knex.schema.dropTable('sessions');
	for (const table of TABLES.toReversed()) await knex.schema.dropTable(table);
	for (const table of ['passkeys', 'recovery_codes', 'persons']) await knex.schema.dropTable(table);
}
