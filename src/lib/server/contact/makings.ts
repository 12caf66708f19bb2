import { fromDate, toCalendarDate } from '@internationalized/date';
import type { Kitchen } from '../../kitchen/types.ts';
import type { DayMaking } from '../../batch/contact.ts';
import { equipmentOf } from '../batches/equipment.ts';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { known } from '../db/known.ts';
import { groupBy } from '../rows.ts';
import { joined, type Handled } from './handled.ts';

/** A batch beside its formula's name, and when it last used its equipment. */
type MakingRow = Pick<
	RowOf<'batches'>,
	| 'id'
	| 'code'
	| 'product_id'
	| 'made_on'
	| 'began_at'
	| 'used_until'
	| 'closed_at'
	| 'packs_made'
	| 'packs_sold'
	| 'packs_given'
> & { name: string; last_use: string | null };

/** Every batch of these days in the order it was begun; `handled` is by ingredient id. */
export async function makingsOn(
	db: Database,
	{ id: kitchenId, timeZone }: Pick<Kitchen, 'id' | 'timeZone'>,
	days: readonly string[],
	handled: ReadonlyMap<string, Handled>
): Promise<DayMaking[]> {
	const rows = await db('batches as b')
		.join('products as p', 'p.id', 'b.product_id')
		.join('formulas as f', 'f.id', 'p.formula_id')
		.leftJoin('batch_standings as s', 's.batch_id', 'b.id')
		.where('b.kitchen_id', kitchenId)
		.whereIn('b.made_on', [...days])
		.orderBy(['b.made_on', 'b.began_at', 'b.id'])
		.select<MakingRow[]>(
			'b.id',
			'b.code',
			'b.product_id',
			'b.made_on',
			'b.began_at',
			'b.used_until',
			'b.closed_at',
			'f.name',
			'b.packs_made',
			'b.packs_sold',
			'b.packs_given',
			db.raw("JSON_VALUE(s.standing, '$.usedUntil') AS last_use")
		);
	const ids = rows.map((row) => row.id);
	const [lines, equipment] = await Promise.all([
		known(db, kitchenId, `ingredients of ${ids.join()}`, () =>
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
			usedUntil: usedUntil(row, timeZone),
			equipment: equipment.get(id) ?? [],
			allergens: tags,
			unconfirmed,
			isLive: made === 0 || made > gone
		};
	});
}

/**
 * When a batch last used its equipment. What somebody noted stands before what its entries tell: they may have been typed
 * hours later. One that was begun and has no packs yet may use it again: its last entry so far is not its last.
 */
function usedUntil(row: MakingRow, timeZone: string): string | null {
	if (row.used_until !== null) return row.used_until.slice(0, 5);
	if (row.last_use === null) return null;
	const isDone = row.packs_made > 0 || row.closed_at !== null;
	return isDone ? timeOn(row.made_on, row.last_use, timeZone) : END_OF_DAY;
}

const END_OF_DAY = '24:00';

/** The time of day of a moment; midnight at the end of the day where it was later. */
function timeOn(day: string, moment: string, timeZone: string): string {
	const at = fromDate(new Date(moment), timeZone);
	if (toCalendarDate(at).toString() > day) return END_OF_DAY;
	return [at.hour, at.minute].map((part) => String(part).padStart(2, '0')).join(':');
}
