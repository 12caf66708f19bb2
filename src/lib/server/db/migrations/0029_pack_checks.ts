import type { Knex } from 'knex';
import { check, gramsColumn, idColumn, jsonColumn, kitchenTable, refers, timeColumn } from '../columns.ts';

const REFUSE = "SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT";

/** Net weights of a sample of packs held against what they declare: evidence, so append-only. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('pack_checks', (table) => {
		kitchenTable(table);
		idColumn(table, 'product_id').notNullable();
		gramsColumn(table, 'declared_g').notNullable();
		table.integer('lot_packs').notNullable();
		jsonColumn(table, 'packs_g').notNullable();
		timeColumn(table, 'checked_at').notNullable();
		refers(table, 'product_id', 'products');
	});
	await check(knex, 'pack_checks', 'pack_checks_declared', 'declared_g > 0');
	await check(knex, 'pack_checks', 'pack_checks_lot', 'lot_packs >= 1');
	await check(knex, 'pack_checks', 'pack_checks_packs', 'JSON_VALID(packs_g)');
	await knex.raw(
		`CREATE TRIGGER pack_checks_never_change BEFORE UPDATE ON pack_checks FOR EACH ROW ${REFUSE} = 'a pack check is never edited: weigh again'`
	);
	await knex.raw(
		`CREATE TRIGGER pack_checks_never_vanish BEFORE DELETE ON pack_checks FOR EACH ROW ${REFUSE} = 'a pack check is never removed'`
	);
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('pack_checks');
}
