import type { DayMaking } from '../../batch/contact.ts';
import { equipmentOf } from '../batches/equipment.ts';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { known } from '../db/known.ts';
import { groupBy } from '../rows.ts';
import { joined, type Handled } from './handled.ts';

/** A batch beside its formula's name. */
type MakingRow = Pick<
	RowOf<'batches'>,
	'id' | 'code' | 'product_id' | 'made_on' | 'began_at' | 'packs_made' | 'packs_sold' | 'packs_given'
> & { name: string };

/** Every batch of these days in the order it was begun; `handled` is by ingredient id. */
export async function makingsOn(
	db: Database,
	kitchenId: string,
	days: readonly string[],
	handled: ReadonlyMap<string, Handled>
): Promise<DayMaking[]> {
	const rows = await db('batches as b')
		.join('products as p', 'p.id', 'b.product_id')
		.join('formulas as f', 'f.id', 'p.formula_id')
		.where('b.kitchen_id', kitchenId)
		.whereIn('b.made_on', [...days])
		.orderBy(['b.made_on', 'b.began_at', 'b.id'])
		.select<MakingRow[]>(
			'b.id',
			'b.code',
			'b.product_id',
			'b.made_on',
			'b.began_at',
			'f.name',
			'b.packs_made',
			'b.packs_sold',
			'b.packs_given'
		);
	const ids = rows.map((row) => row.id);
	const [lines, equipment] = await Promise.all([
		known(db, kitchenId, ['batch_lines'], `ingredients of ${ids.join()}`, () =>
			db('batch_lines')
				.where('kitchen_id', kitchenId)
				.whereIn('batch_id', ids)
				.distinct('batch_id', 'ingredient_id')
		),
		equipmentOf(db, kitchenId, ids)
	]);
	const linesBy = groupBy(lines, (line) => line.batch_id);
	return rows.map((row) => {
		const id = row.id;
		const { tags, unconfirmed } = joined(
			(linesBy.get(id) ?? []).flatMap((line) => handled.get(line.ingredient_id) ?? [])
		);
		const made = row.packs_made;
		const gone = row.packs_sold + row.packs_given;
		return {
			id,
			code: row.code,
			name: row.name,
			productId: row.product_id,
			madeOn: row.made_on,
			beganAt: row.began_at === null ? null : row.began_at.slice(0, 5),
			equipment: equipment.get(id) ?? [],
			allergens: tags,
			unconfirmed,
			isLive: made === 0 || made > gone
		};
	});
}
