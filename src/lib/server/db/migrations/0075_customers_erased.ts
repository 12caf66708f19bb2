import type { Knex } from 'knex';
import type { Row } from '../../rows.ts';

const REFUSE = "SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'a sale is never edited: void it'";

/**
 * A customer's name is theirs: it can be taken off what they bought. Everything else of a sale stays as it was, which
 * the database still sees to.
 */
export async function up(knex: Knex): Promise<void> {
	const [columns] = (await knex.raw(
		`SELECT column_name AS name FROM information_schema.columns
		WHERE table_schema = DATABASE() AND table_name = 'sales' AND column_name <> 'customer'
		ORDER BY ordinal_position`
	)) as [Row[]];
	const same = columns.map(({ name }) => `NEW.${name} <=> OLD.${name}`).join(' AND ');
	await knex.raw('DROP TRIGGER sales_never_change');
	await knex.raw(
		`CREATE TRIGGER sales_never_change BEFORE UPDATE ON sales FOR EACH ROW
		IF NOT (OLD.customer <> '' AND NEW.customer LIKE 'erased %' AND ${same}) THEN ${REFUSE}; END IF`
	);
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('DROP TRIGGER sales_never_change');
	await knex.raw(`CREATE TRIGGER sales_never_change BEFORE UPDATE ON sales FOR EACH ROW ${REFUSE}`);
}
