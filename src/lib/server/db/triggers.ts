import type { Knex } from 'knex';

const GUARDS = [
	['never_change', 'UPDATE'],
	['never_vanish', 'DELETE']
] as const;

/** Takes the guards of a table off, for undoing a migration. */
export async function mayChange(knex: Knex, table: string): Promise<void> {
	for (const [name] of GUARDS) await knex.raw(`DROP TRIGGER ${table}_${name}`);
}

/** The database itself refuses to change or remove rows of what is evidence, with `message`. */
export async function neverChanges(knex: Knex, table: string, message: string): Promise<void> {
	for (const [name, event] of GUARDS)
		await knex.raw(
			`CREATE TRIGGER ${table}_${name} BEFORE ${event} ON ${table} FOR EACH ROW SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = '${message}'`
		);
}
