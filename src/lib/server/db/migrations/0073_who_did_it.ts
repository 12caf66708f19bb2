import type { Knex } from 'knex';
import { idColumn } from '../columns.ts';

/** What is entered, sold, approved, decided, priced: each row is of a deed, which says who did it and where. */
export const DONE = [
	'batch_closings',
	'batch_events',
	'channel_fees',
	'clean_voids',
	'cleans',
	'contact_decisions',
	'cost_rates',
	'formula_versions',
	'label_revisions',
	'lot_moves',
	'lots',
	'pack_checks',
	'price_packs',
	'print_jobs',
	'sale_payments',
	'sales',
	'shelf_test_days',
	'standing_risks',
	'till_counts',
	'weighings'
] as const;

/**
 * The deed is the one the connection is at (`db/transaction.ts`), whichever part of the program writes the row: none
 * can forget it. Rows from before, and those of a restored archive, say their own or none.
 */
export async function up(knex: Knex): Promise<void> {
	for (const name of DONE) {
		await knex.schema.alterTable(name, (table) => void idColumn(table, 'deed_id'));
		await knex.raw(
			`CREATE TRIGGER ${name}_done_by BEFORE INSERT ON ${name} FOR EACH ROW
			SET NEW.deed_id = COALESCE(NEW.deed_id, @deed)`
		);
	}
}

export async function down(knex: Knex): Promise<void> {
	for (const name of DONE) {
		await knex.raw(`DROP TRIGGER ${name}_done_by`);
		await knex.schema.alterTable(name, (table) => table.dropColumn('deed_id'));
	}
}
