import type { Knex } from 'knex';
import { check, idColumn, refers, timeColumn } from '../columns.ts';
import { mayChange, neverChanges } from '../triggers.ts';

const KINDS = ['sale', 'void', 'return', 'gift', 'sample', 'written off'];
const MESSAGE = 'a sale is never edited: void it';

/**
 * How packs leave a batch beside being sold, and how they were paid. What leaves is above zero; a return or
 * a void of it is the other way round and points at it. `checkout_id` holds together what was one customer's.
 */
export async function up(knex: Knex): Promise<void> {
	await mayChange(knex, 'sales');
	await knex.raw('ALTER TABLE sales DROP CONSTRAINT sales_packs');
	await knex.raw('ALTER TABLE sales DROP CONSTRAINT sales_reason');
	await knex.schema.alterTable('sales', (table) => {
		table.enum('kind', KINDS).notNullable().defaultTo('sale');
		table.enum('paid_by', ['cash', 'card', 'owed']);
		idColumn(table, 'checkout_id');
		idColumn(table, 'returns_id');
		table.string('customer', 120).notNullable().defaultTo('');
		timeColumn(table, 'sold_at');
		refers(table, 'returns_id', 'sales');
		table.index(['kitchen_id', 'checkout_id']);
		table.index(['kitchen_id', 'batch_id', 'sold_on']);
		table.index(['kitchen_id', 'channel', 'sold_on']);
		table.index(['kitchen_id', 'paid_by', 'sold_on']);
	});
	await knex('sales').whereNotNull('voids_id').update({ kind: 'void' });
	await check(
		knex,
		'sales',
		'sales_packs',
		`CASE kind WHEN 'void' THEN voids_id IS NOT NULL AND packs <> 0
			WHEN 'return' THEN voids_id IS NULL AND returns_id IS NOT NULL AND packs < 0
			ELSE voids_id IS NULL AND packs > 0 AND (returns_id IS NULL OR kind = 'written off') END`
	);
	await check(
		knex,
		'sales',
		'sales_reason',
		"kind NOT IN ('void', 'return', 'written off') OR TRIM(reason) <> ''"
	);
	await check(knex, 'sales', 'sales_given', "kind NOT IN ('gift', 'sample', 'written off') OR price = 0");
	await neverChanges(knex, 'sales', MESSAGE);
}

/** What the older table has no word for is not kept by it. */
export async function down(knex: Knex): Promise<void> {
	await mayChange(knex, 'sales');
	await knex.raw('ALTER TABLE sales DROP CONSTRAINT sales_packs');
	await knex.raw('ALTER TABLE sales DROP CONSTRAINT sales_reason');
	await knex.raw('ALTER TABLE sales DROP CONSTRAINT sales_given');
	const other = knex('sales').whereNotIn('kind', ['sale', 'void']).select('id');
	await knex.raw('DELETE FROM sales WHERE voids_id IN (SELECT id FROM (?) AS other)', [other]);
	await knex.raw("DELETE FROM sales WHERE kind NOT IN ('sale', 'void') ORDER BY id DESC");
	// The keys of the references stand on these indexes: they get others of their own first.
	await knex.raw('CREATE INDEX IF NOT EXISTS sales_batch ON sales (kitchen_id, batch_id)');
	await knex.schema.alterTable('sales', (table) => {
		table.dropForeign(['kitchen_id', 'returns_id']);
		table.dropIndex(['kitchen_id', 'checkout_id']);
		table.dropIndex(['kitchen_id', 'batch_id', 'sold_on']);
		table.dropIndex(['kitchen_id', 'channel', 'sold_on']);
		table.dropIndex(['kitchen_id', 'paid_by', 'sold_on']);
	});
	await knex.schema.alterTable('sales', (table) =>
		table.dropColumns('kind', 'paid_by', 'checkout_id', 'returns_id', 'customer', 'sold_at')
	);
	await check(
		knex,
		'sales',
		'sales_packs',
		'(voids_id IS NULL AND packs > 0) OR (voids_id IS NOT NULL AND packs < 0)'
	);
	await check(knex, 'sales', 'sales_reason', "voids_id IS NULL OR TRIM(reason) <> ''");
	await neverChanges(knex, 'sales', MESSAGE);
}
