import type { Knex } from 'knex';

const REFUSE = "SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT";

/** The database itself refuses to change or remove a reading. */
export async function up(knex: Knex): Promise<void> {
	await knex.raw(
		`CREATE TRIGGER weighings_never_change BEFORE UPDATE ON weighings FOR EACH ROW ${REFUSE} = 'a weighing is never edited: add a correction'`
	);
	await knex.raw(
		`CREATE TRIGGER weighings_never_vanish BEFORE DELETE ON weighings FOR EACH ROW ${REFUSE} = 'a weighing is never removed: add a correction'`
	);
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('DROP TRIGGER weighings_never_change');
	await knex.raw('DROP TRIGGER weighings_never_vanish');
}
