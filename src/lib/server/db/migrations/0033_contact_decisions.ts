import type { Knex } from 'knex';
import { check, idColumn, kitchenTable, refers, timeColumn } from '../columns.ts';
import { neverChanges } from '../triggers.ts';

/** What a person said of an allergen that may have come along, with the reason: append-only. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('contact_decisions', (table) => {
		kitchenTable(table);
		idColumn(table, 'product_id').notNullable();
		table.string('allergen', 60).notNullable();
		table.enum('answer', ['accepted', 'declined', 'withdrawn']).notNullable();
		// What proposed it, such as `day:<batch>:<earlier batch>`, and in words as it stood then.
		table.string('source', 80).notNullable();
		table.string('source_words', 300).notNullable();
		table.string('reason', 300).notNullable();
		timeColumn(table, 'decided_at').notNullable();
		refers(table, 'product_id', 'products');
		table.index(['kitchen_id', 'product_id']);
	});
	await check(knex, 'contact_decisions', 'contact_decisions_reason', "reason <> ''");
	await neverChanges(knex, 'contact_decisions', 'a decision is never edited: decide again');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('contact_decisions');
}
