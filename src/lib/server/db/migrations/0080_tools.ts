import type { Knex } from 'knex';
import { check } from '../columns.ts';

const KINDS = ['bowl', 'griddle', 'oven', 'board', 'fridge', 'other'];

/** What a plan asks of equipment: what it is, how many pieces are on it at once, how much dough it holds. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('equipment', (table) => {
		table.enum('kind', KINDS).notNullable().defaultTo('other');
		table.integer('places').unsigned().notNullable().defaultTo(1);
		table.decimal('capacity_g', 12, 3);
	});
	await check(knex, 'equipment', 'equipment_places', 'places >= 1');
	await check(knex, 'equipment', 'equipment_capacity', 'capacity_g IS NULL OR capacity_g > 0');
	// What it is called mostly says what it is; whoever plans with it can say otherwise.
	const named: [string, string][] = [
		['bowl', 'bowl|tub|basin'],
		['griddle', 'griddle|pan|plate|tawa|comal|skillet'],
		['oven', 'oven'],
		['board', 'board|slab|press|table|bench'],
		['fridge', 'fridge|refrigerator|cooler']
	];
	for (const [kind, words] of named)
		await knex('equipment').where('kind', 'other').whereRaw('LOWER(name) REGEXP ?', [words]).update({ kind });
}

export async function down(knex: Knex): Promise<void> {
	for (const name of ['equipment_places', 'equipment_capacity'])
		await knex.raw('ALTER TABLE equipment DROP CONSTRAINT ??', [name]);
	await knex.schema.alterTable('equipment', (table) => table.dropColumns('kind', 'places', 'capacity_g'));
}
