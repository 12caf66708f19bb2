import type { Knex } from 'knex';
import { check, idColumn, jsonColumn, timeColumn } from '../columns.ts';

/**
 * What the devices of a kitchen are told, whichever process they are at: an entry is added in the transaction of what
 * it tells of, with the next number of its kitchen, and never changed. Who listens reads what came after.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('feed_heads', (table) => {
		table.charset('utf8mb4');
		table.collate('utf8mb4_unicode_520_ci');
		idColumn(table, 'kitchen_id').primary().references('kitchens.id');
		table.bigInteger('number').unsigned().notNullable();
	});
	await knex.schema.createTable('feed', (table) => {
		table.charset('utf8mb4');
		table.collate('utf8mb4_unicode_520_ci');
		idColumn(table, 'kitchen_id').notNullable().references('kitchens.id');
		table.bigInteger('number').unsigned().notNullable();
		jsonColumn(table, 'news').notNullable();
		timeColumn(table, 'told_at').notNullable();
		table.primary(['kitchen_id', 'number']);
	});
	await check(knex, 'feed', 'feed_news', 'JSON_VALID(news)');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('feed');
	await knex.schema.dropTable('feed_heads');
}
