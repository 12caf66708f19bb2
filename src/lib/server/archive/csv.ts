import type { Knex } from 'knex';
import { csvText } from '../csv-text.ts';
import type { Database } from '../db/connection.ts';

const AT_ONCE = 5000;

/** Lists of an archive that are written for reading, with names in place of ids. */
const LISTS: Record<
	'batches' | 'lots' | 'weighings',
	(db: Database, kitchenId: string) => Knex.QueryBuilder
> = {
	batches: (db, kitchenId) =>
		db('batches as t')
			.join('products as p', 'p.id', 't.product_id')
			.join('formulas as f', 'f.id', 'p.formula_id')
			.leftJoin('batch_closings as c', (on) =>
				on
					.on('c.batch_id', 't.id')
					.andOn(
						'c.number',
						db.raw('(SELECT MAX(n.number) FROM batch_closings AS n WHERE n.batch_id = t.id)')
					)
			)
			.where('t.kitchen_id', kitchenId)
			.select({
				id: 't.id',
				batch: 't.code',
				made_on: 't.made_on',
				formula: 'f.name',
				ball_weight_g: 't.ball_weight_g',
				pieces_per_pack: 't.pack_pieces',
				packs_made: 't.packs_made',
				packs_sold: 't.packs_sold',
				packs_given: 't.packs_given',
				rejects: 't.rejects',
				heat_min: 't.heat_min',
				hands_min: 't.hands_min',
				closed_at: 't.closed_at',
				cost_of_ingredients: 'c.cost_batch',
				cost_per_piece: 'c.cost_piece',
				cost_per_pack: 'c.cost_pack'
			}),
	lots: (db, kitchenId) =>
		db('lots as t')
			.leftJoin('ingredients as i', 'i.id', 't.ingredient_id')
			.where('t.kitchen_id', kitchenId)
			.select({
				id: 't.id',
				lot: 't.code',
				what: db.raw('COALESCE(i.name, t.material)'),
				supplier: 't.supplier',
				suppliers_code: 't.supplier_code',
				received_on: 't.received_on',
				best_before: 't.best_before',
				received: 't.received',
				on_hand: 't.on_hand'
			}),
	weighings: (db, kitchenId) =>
		db('weighings as t')
			.join('batches as b', 'b.id', 't.batch_id')
			.leftJoin('batch_lines as l', 'l.id', 't.line_id')
			.leftJoin('ingredients as i', 'i.id', 'l.ingredient_id')
			.where('t.kitchen_id', kitchenId)
			.select({
				id: 't.id',
				batch: 'b.code',
				what: 't.what',
				ingredient: 'i.name',
				grams: 't.grams',
				taken_at: 't.taken_at',
				taken_by: 't.taken_by',
				corrects: 't.corrects_id'
			})
};

/** A list of a kitchen as CSV, some rows at a time. */
export async function* tableCsv(
	db: Database,
	kitchenId: string,
	list: keyof typeof LISTS
): AsyncGenerator<{ text: string; last: boolean }> {
	let after = '';
	for (;;) {
		const rows = (await LISTS[list](db, kitchenId)
			.where('t.id', '>', after)
			.orderBy('t.id')
			.limit(AT_ONCE)) as Record<string, unknown>[];
		const last = rows.length < AT_ONCE;
		const text = rows.length === 0 ? '' : csvText(rows, { header: after === '' });
		yield { text: after === '' || text === '' ? text : `\r\n${text}`, last };
		if (last) return;
		after = String(rows.at(-1)?.id);
	}
}
