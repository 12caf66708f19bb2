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

/** Runs `act` while a table's rows may be changed, for a migration that fills a column of what is evidence. */
export async function whileItMayChange(
	knex: Knex,
	table: string,
	message: string,
	act: () => Promise<void>
): Promise<void> {
	const name = `${table}_never_change`;
	await knex.raw(`DROP TRIGGER ${name}`);
	await act();
	await knex.raw(
		`CREATE TRIGGER ${name} BEFORE UPDATE ON ${table} FOR EACH ROW SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = '${message}'`
	);
}

/** Whether the whole kitchen of a row is on its way: it leaves, or did not arrive whole. */
const IS_ON_ITS_WAY =
	"(SELECT k.state FROM kitchens k WHERE k.id = OLD.kitchen_id) IN ('arriving', 'leaving')";
const UNLESS_ON_ITS_WAY = `IF NOT COALESCE(${IS_ON_ITS_WAY}, FALSE) THEN `;
const END_IF = '; END IF';

/** From now on the rows of a table that never vanish go with their whole kitchen, and only so. */
export async function goesWithItsKitchen(knex: Knex, table: string): Promise<void> {
	await guardAnew(knex, table, (statement) =>
		statement.startsWith(UNLESS_ON_ITS_WAY) ? statement : `${UNLESS_ON_ITS_WAY}${statement}${END_IF}`
	);
}

/** For undoing a migration. */
export async function staysForGood(knex: Knex, table: string): Promise<void> {
	await guardAnew(knex, table, (statement) => statement.slice(UNLESS_ON_ITS_WAY.length, -END_IF.length));
}

async function guardAnew(knex: Knex, table: string, change: (statement: string) => string): Promise<void> {
	const name = `${table}_never_vanish`;
	const statement = await statementOf(knex, name);
	// One statement: there is no moment without a guard.
	await knex.raw(
		`CREATE OR REPLACE TRIGGER ${name} BEFORE DELETE ON ${table} FOR EACH ROW ${change(statement)}`
	);
}

async function statementOf(knex: Knex, trigger: string): Promise<string> {
	const [[guard]] = (await knex.raw(
		'SELECT ACTION_STATEMENT AS statement FROM information_schema.TRIGGERS WHERE TRIGGER_SCHEMA = DATABASE() AND TRIGGER_NAME = ?',
		[trigger]
	)) as [{ statement: string }[]];
	if (!guard) throw new Error(`there is no guard ${trigger}`);
	return guard.statement;
}

/**
 * Makes guards that another account made this account's own: a dump brings them with the name of who made them, who may
 * not be here, and then nothing could be written. How many there were.
 */
export async function ownGuards(knex: Knex): Promise<number> {
	const [guards] = (await knex.raw(
		`SELECT TRIGGER_NAME AS name, ACTION_TIMING AS timing, EVENT_MANIPULATION AS event, EVENT_OBJECT_TABLE AS of_table,
			ACTION_STATEMENT AS statement
		FROM information_schema.TRIGGERS WHERE TRIGGER_SCHEMA = DATABASE() AND DEFINER <> CURRENT_USER()`
	)) as [{ name: string; timing: string; event: string; of_table: string; statement: string }[]];
	for (const { name, timing, event, of_table, statement } of guards)
		await knex.raw(
			`CREATE OR REPLACE TRIGGER \`${name}\` ${timing} ${event} ON \`${of_table}\` FOR EACH ROW ${statement}`
		);
	return guards.length;
}
