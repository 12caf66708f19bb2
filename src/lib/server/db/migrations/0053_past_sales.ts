import type { Knex } from 'knex';
import { check, idColumn, refers } from '../columns.ts';
import { mayChange, neverChanges } from '../triggers.ts';

const MESSAGE = 'a sale is never edited: void it';
const ID = 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin';

/**
 * Sales from before their batches were kept here: they say what was sold, and no batch. They count in every
 * total, and lead to no bag. The product of a sale is noted with it: that of its batch by the database itself.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.raw(`ALTER TABLE sales MODIFY batch_id ${ID} NULL`);
	await knex.schema.alterTable('sales', (table) => {
		table.string('item', 120);
		idColumn(table, 'product_id');
		refers(table, 'product_id', 'products');
		table.index(['kitchen_id', 'product_id', 'sold_on', 'id']);
	});
	await mayChange(knex, 'sales');
	await knex.raw('UPDATE sales AS s JOIN batches AS b ON b.id = s.batch_id SET s.product_id = b.product_id');
	await neverChanges(knex, 'sales', MESSAGE);
	await knex.raw(
		`CREATE TRIGGER sales_of_product BEFORE INSERT ON sales FOR EACH ROW
		IF NEW.batch_id IS NOT NULL THEN
			SET NEW.product_id = (SELECT product_id FROM batches WHERE id = NEW.batch_id);
		END IF`
	);
	await check(
		knex,
		'sales',
		'sales_item',
		"(batch_id IS NULL) = (item IS NOT NULL) AND (item IS NULL OR TRIM(item) <> '')"
	);
}

/** The older table has no place for them. */
export async function down(knex: Knex): Promise<void> {
	await mayChange(knex, 'sales');
	await knex.raw('DROP TRIGGER sales_of_product');
	// Voids point at what they void, and go first.
	await knex.raw('DELETE FROM sales WHERE batch_id IS NULL AND voids_id IS NOT NULL');
	await knex.raw('DELETE FROM sales WHERE batch_id IS NULL');
	await knex.raw('ALTER TABLE sales DROP CONSTRAINT sales_item');
	await knex.schema.alterTable('sales', (table) => {
		table.dropForeign(['kitchen_id', 'product_id']);
		table.dropIndex(['kitchen_id', 'product_id', 'sold_on', 'id']);
		table.dropColumns('item', 'product_id');
	});
	await knex.raw(`ALTER TABLE sales MODIFY batch_id ${ID} NOT NULL`);
	await neverChanges(knex, 'sales', MESSAGE);
}
