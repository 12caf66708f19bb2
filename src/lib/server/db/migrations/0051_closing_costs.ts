import type { Knex } from 'knex';

/** What a closing says its batch cost, so that profits over years need not read whole closings. */
export async function up(knex: Knex): Promise<void> {
	for (const [name, path, type] of [
		['cost_batch', 'cost.batch', 'DECIMAL(14, 4)'],
		['cost_piece', 'cost.perPiece', 'DECIMAL(14, 4)'],
		['cost_pack', 'cost.perPack', 'DECIMAL(14, 4)'],
		['sellable', 'yield.sellable', 'INT']
	])
		await knex.raw(
			`ALTER TABLE batch_closings ADD COLUMN ${name} ${type}
			AS (CAST(JSON_VALUE(facts, '$.${path}') AS ${type})) PERSISTENT`
		);
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('batch_closings', (table) =>
		table.dropColumns('cost_batch', 'cost_piece', 'cost_pack', 'sellable')
	);
}
