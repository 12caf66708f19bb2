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

/**
 * Runs `act` while a table's rows may be changed, for a migration that fills a column of what is evidence. The
 * guard is put back as it was.
 */
export async function whileItMayChange(knex: Knex, table: string, act: () => Promise<void>): Promise<void> {
	const name = `${table}_never_change`;
	const [[guard]] = (await knex.raw(
		'SELECT ACTION_STATEMENT AS statement FROM information_schema.TRIGGERS WHERE TRIGGER_SCHEMA = DATABASE() AND TRIGGER_NAME = ?',
		[name]
	)) as [{ statement: string }[]];
	if (!guard) throw new Error(`there is no guard ${name}`);
	await knex.raw(`DROP TRIGGER ${name}`);
	await act();
	await knex.raw(`CREATE TRIGGER ${name} BEFORE UPDATE ON ${table} FOR EACH ROW ${guard.statement}`);
}
