import type { Knex } from 'knex';

const REFUSE = "SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT";

/** The database itself refuses to change or remove what was approved. */
export async function up(knex: Knex): Promise<void> {
	await knex.raw(
		`CREATE TRIGGER label_revisions_never_change BEFORE UPDATE ON label_revisions FOR EACH ROW ${REFUSE} = 'a label revision is never edited: approve another'`
	);
	await knex.raw(
		`CREATE TRIGGER label_revisions_never_vanish BEFORE DELETE ON label_revisions FOR EACH ROW ${REFUSE} = 'a label revision is never removed'`
	);
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('DROP TRIGGER label_revisions_never_change');
	await knex.raw('DROP TRIGGER label_revisions_never_vanish');
}
