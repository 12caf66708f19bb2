import type { RecordedClean } from '../../batch/contact.ts';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { known } from '../db/known.ts';
import { isDuplicate, NotFound, refuse } from '../errors.ts';
import { newId, utcNow } from '../rows.ts';
import { madeOnce } from '../db/once.ts';
import { inTransaction } from '../db/transaction.ts';

/** Cleans of these days in the order they were done, the voided too. */
export function cleansOn(db: Database, kitchenId: string, days: readonly string[]): Promise<RecordedClean[]> {
	return known(db, kitchenId, `cleans ${days.join()}`, () => readCleansOn(db, kitchenId, days));
}

async function readCleansOn(
	db: Database,
	kitchenId: string,
	days: readonly string[]
): Promise<RecordedClean[]> {
	const rows = await db('cleans as c')
		.leftJoin('clean_voids as v', 'v.clean_id', 'c.id')
		.where('c.kitchen_id', kitchenId)
		.whereIn('c.cleaned_on', [...days])
		.orderBy(['c.cleaned_on', 'c.cleaned_at', 'c.id'])
		.select<(RowOf<'cleans'> & { voided: string | null })[]>('c.*', 'v.reason as voided');
	return rows.map((row) => ({
		id: row.id,
		equipment: row.equipment_id,
		cleanedOn: row.cleaned_on,
		at: row.cleaned_at.slice(0, 5),
		how: row.how,
		voided: row.voided
	}));
}

/** Records a clean of each of the equipment. `id` comes from the form, so that one sent twice is one. */
export async function recordCleans(
	db: Database,
	kitchenId: string,
	id: string,
	clean: { equipment: readonly string[]; cleanedOn: string; at: string; how: string }
): Promise<void> {
	if (clean.equipment.length === 0) refuse('equipment', 'choose what was cleaned');
	const known = await db('equipment')
		.where('kitchen_id', kitchenId)
		.whereIn('id', [...clean.equipment])
		.select('id');
	if (known.length !== clean.equipment.length) refuse('equipment', 'choose among the kitchen’s equipment');
	const now = utcNow();
	await madeOnce(db, { table: 'cleans', kitchenId, id }, (transaction) =>
		transaction('cleans').insert(
			clean.equipment.map((equipment, index) => ({
				id: index === 0 ? id : newId(),
				kitchen_id: kitchenId,
				equipment_id: equipment,
				cleaned_on: clean.cleanedOn,
				cleaned_at: clean.at,
				how: clean.how,
				created_at: now
			}))
		)
	);
}

/** Voids a clean that was not done, with the reason. Throws `NotFound`. */
export async function voidClean(db: Database, kitchenId: string, id: string, reason: string): Promise<void> {
	const row = await db('cleans').where({ kitchen_id: kitchenId, id }).first('id');
	if (!row) throw new NotFound('this clean is not here');
	await inTransaction(db, (transaction) =>
		transaction('clean_voids')
			.insert({ id: newId(), kitchen_id: kitchenId, clean_id: id, reason, created_at: utcNow() })
			.catch((error: unknown) => {
				if (!isDuplicate(error)) throw error;
			})
	);
}
