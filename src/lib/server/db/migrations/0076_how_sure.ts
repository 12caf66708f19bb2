import type { Knex } from 'knex';
import { check, idColumn, jsonColumn, kitchenTable, refers, timeColumn } from '../columns.ts';
import { countChanges } from '../counted.ts';

const REFUSE = "SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT";

/**
 * How sure figures are: spreads a kitchen assumes in place of the usual ones, and what laboratories found of its
 * finished products. A report is evidence: one that was wrong is withdrawn, and stays.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('assumed_spreads', (table) => {
		kitchenTable(table);
		table.string('input', 30).notNullable();
		// A coefficient of variation, or a share either way.
		table.decimal('spread', 8, 6).notNullable();
		table.string('note', 300).notNullable();
		timeColumn(table, 'created_at').notNullable();
		table.unique(['kitchen_id', 'input']);
	});
	await check(knex, 'assumed_spreads', 'assumed_spreads_share', 'spread >= 0 AND spread <= 1');
	await countChanges(knex, 'assumed_spreads');
	await knex.schema.createTable('laboratory_reports', (table) => {
		kitchenTable(table);
		idColumn(table, 'product_id').notNullable();
		table.string('laboratory', 120).notNullable();
		table.date('reported_on').notNullable();
		// Of each nutrient what was found in 100 g, and its expanded uncertainty.
		jsonColumn(table, 'found').notNullable();
		table.string('note', 300).notNullable();
		timeColumn(table, 'created_at').notNullable();
		timeColumn(table, 'withdrawn_at');
		idColumn(table, 'deed_id');
		refers(table, 'product_id', 'products');
	});
	await check(knex, 'laboratory_reports', 'laboratory_reports_found', 'JSON_VALID(found)');
	await knex.raw(
		`CREATE TRIGGER laboratory_reports_done_by BEFORE INSERT ON laboratory_reports FOR EACH ROW
		SET NEW.deed_id = COALESCE(NEW.deed_id, @deed)`
	);
	const same = ['id', 'kitchen_id', 'product_id', 'laboratory', 'reported_on', 'found', 'note', 'created_at']
		.map((column) => `NEW.${column} <=> OLD.${column}`)
		.join(' AND ');
	await knex.raw(
		`CREATE TRIGGER laboratory_reports_never_change BEFORE UPDATE ON laboratory_reports FOR EACH ROW
		IF NOT (OLD.withdrawn_at IS NULL AND ${same}) THEN ${REFUSE} = 'a report is never edited: withdraw it'; END IF`
	);
	await knex.raw(
		`CREATE TRIGGER laboratory_reports_never_vanish BEFORE DELETE ON laboratory_reports FOR EACH ROW
		${REFUSE} = 'a report is never removed: withdraw it'`
	);
	await countChanges(knex, 'laboratory_reports');
	await knex.raw(
		"ALTER TABLE ingredient_compositions MODIFY source ENUM('laboratory', 'specification', 'pack', 'reference', 'estimate', 'mix') NOT NULL"
	);
	// What a laboratory says of an ingredient's values: their expanded uncertainty, percent of each.
	await knex.schema.alterTable(
		'ingredient_compositions',
		(table) => void table.decimal('uncertainty_percent', 6, 3)
	);
	await check(
		knex,
		'ingredient_compositions',
		'ingredient_compositions_uncertainty',
		'uncertainty_percent BETWEEN 0 AND 100'
	);
}

export async function down(knex: Knex): Promise<void> {
	await knex('ingredient_compositions').where('source', 'laboratory').update({ source: 'specification' });
	await knex.raw(
		"ALTER TABLE ingredient_compositions MODIFY source ENUM('specification', 'pack', 'reference', 'estimate', 'mix') NOT NULL"
	);
	await knex.raw('ALTER TABLE ingredient_compositions DROP CONSTRAINT ingredient_compositions_uncertainty');
	await knex.schema.alterTable('ingredient_compositions', (table) => table.dropColumn('uncertainty_percent'));
	await knex.schema.dropTable('laboratory_reports');
	await knex.schema.dropTable('assumed_spreads');
}
