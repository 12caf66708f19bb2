import type { Knex } from 'knex';
import { idColumn } from '../columns.ts';

/** What a sale counts as in the sums: its product and pack, or what it says was sold. */
const OF = `COALESCE(product_id, ''), COALESCE((SELECT b.pack_pieces FROM batches AS b WHERE b.id = batch_id), 0),
	COALESCE(item, ''), channel, COALESCE(paid_by, ''), kind, is_given`;
const INTO = `INSERT INTO sales_months
	(kitchen_id, month, product_id, pack_pieces, item, channel, paid_by, kind, is_given, packs, money, entries)`;

/**
 * What the entries of each month add up to, kept beside them by the database itself, so that ten years are
 * summed from a few thousand rows. Entries are never changed or removed: each adds itself once.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('sales_months', (table) => {
		table.charset('utf8mb4');
		table.collate('utf8mb4_unicode_520_ci');
		idColumn(table, 'kitchen_id').notNullable();
		table.specificType('month', 'CHAR(7) CHARACTER SET ascii').notNullable();
		idColumn(table, 'product_id').notNullable();
		table.integer('pack_pieces').notNullable();
		table.string('item', 120).notNullable();
		table.string('channel', 60).notNullable();
		table.string('paid_by', 10).notNullable();
		table.string('kind', 20).notNullable();
		table.boolean('is_given').notNullable();
		table.integer('packs').notNullable();
		// Wider than what one entry comes to: a sum of them has to fit.
		table.decimal('money', 24, 4).notNullable();
		table.integer('entries').notNullable();
		table.primary([
			'kitchen_id',
			'month',
			'product_id',
			'pack_pieces',
			'item',
			'channel',
			'paid_by',
			'kind',
			'is_given'
		]);
		table.foreign('kitchen_id').references('kitchens.id');
	});
	await knex.raw(
		`${INTO} SELECT kitchen_id, DATE_FORMAT(sold_on, '%Y-%m') AS month, ${OF}, SUM(packs), SUM(packs * price), COUNT(*)
		FROM sales GROUP BY 1, 2, 3, 4, 5, 6, 7, 8, 9`
	);
	const added = OF.replace(/\b(product_id|batch_id|item|channel|paid_by|kind|is_given)\b/g, 'NEW.$1');
	await knex.raw(
		`CREATE TRIGGER sales_add_up AFTER INSERT ON sales FOR EACH ROW
		${INTO} VALUES (NEW.kitchen_id, DATE_FORMAT(NEW.sold_on, '%Y-%m'), ${added}, NEW.packs, NEW.packs * NEW.price, 1)
		ON DUPLICATE KEY UPDATE packs = packs + NEW.packs, money = money + NEW.packs * NEW.price, entries = entries + 1`
	);
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('DROP TRIGGER sales_add_up');
	await knex.schema.dropTable('sales_months');
}
