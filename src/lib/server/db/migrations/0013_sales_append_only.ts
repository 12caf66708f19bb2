import type { Knex } from 'knex';

const REFUSE = "SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT";

/** The database itself refuses to change or remove a sale. */
export async function up(knex: Knex): Promise<void> {
	await knex.raw(
		`CREATE TRIGGER sales_never_change BEFORE UPDATE ON sales FOR EACH ROW ${REFUSE} = 'a sale is never edited: void it'`
	);
	await knex.raw(
		`CREATE TRIGGER sales_never_vanish BEFORE DELETE ON sales FOR EACH ROW ${REFUSE} = 'a sale is never removed: void it'`
	);
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('DROP TRIGGER sales_never_change');
	await knex.raw('DROP TRIGGER sales_never_vanish');
}
