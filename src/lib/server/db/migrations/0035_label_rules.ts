import type { Knex } from 'knex';
import { mayChange, neverChanges } from '../triggers.ts';

/** A product's label for each rule set it is sold under; what is there follows the kitchen's. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('labels', (table) => {
		table.enum('rules', ['us', 'eu']).notNullable().defaultTo('us');
	});
	await knex.raw('UPDATE labels l JOIN kitchens k ON k.id = l.kitchen_id SET l.rules = k.rules');
	await knex.schema.alterTable('labels', (table) => {
		table.unique(['product_id', 'rules']);
		table.dropUnique(['product_id']);
	});
}

export async function down(knex: Knex): Promise<void> {
	const others = 'SELECT l.id FROM labels l JOIN kitchens k ON k.id = l.kitchen_id WHERE l.rules <> k.rules';
	await mayChange(knex, 'label_revisions');
	await knex.raw(
		`UPDATE batches SET label_revision_id = NULL WHERE label_revision_id IN (SELECT id FROM label_revisions WHERE label_id IN (${others}))`
	);
	await knex.raw(`DELETE FROM label_revisions WHERE label_id IN (${others})`);
	await knex.raw('DELETE l FROM labels l JOIN kitchens k ON k.id = l.kitchen_id WHERE l.rules <> k.rules');
	await neverChanges(knex, 'label_revisions', 'a label revision is never edited: approve another');
	await knex.schema.alterTable('labels', (table) => {
		table.unique(['product_id']);
		table.dropUnique(['product_id', 'rules']);
		table.dropColumn('rules');
	});
}
