import type { MeasureBasis } from '../shelf/ingredient.ts';
import type { StoredMeasure } from '../shelf/ingredient.ts';
import type { Measures } from '$core/measure/convert.ts';
import type { RowOf } from './db/tables.ts';
import type { Database } from './db/connection.ts';
import { groupBy, newId, toList, utcNow } from './rows.ts';
import { inTransaction } from './db/transaction.ts';

function fromRow(row: RowOf<'ingredient_measures'>): StoredMeasure {
	return {
		measure: row.measure,
		grams: Number(row.grams),
		low: Number(row.low_g),
		high: Number(row.high_g),
		basis: row.basis as MeasureBasis,
		readings: toList<number>(row.readings)
	};
}

/** Measures of every ingredient of the kitchen, or of one, by ingredient id. */
export async function measuresByIngredient(
	db: Database,
	kitchenId: string,
	ingredientId?: string
): Promise<Map<string, StoredMeasure[]>> {
	const query = db('ingredient_measures').where('kitchen_id', kitchenId).orderBy('created_at');
	if (ingredientId) query.where('ingredient_id', ingredientId);
	const rows = await query;
	return new Map([...groupBy(rows, (row) => row.ingredient_id)].map(([id, each]) => [id, each.map(fromRow)]));
}

/** Stored measures as the core takes them. */
export function toMeasures(stored: readonly StoredMeasure[]): Measures {
	return Object.fromEntries(stored.map(({ measure, grams, low, high }) => [measure, { grams, low, high }]));
}

/** Sets what a measure of an ingredient weighs, in the place of what was known of it. */
export async function setMeasure(
	db: Database,
	kitchenId: string,
	ingredientId: string,
	measure: StoredMeasure
): Promise<void> {
	await inTransaction(db, (transaction) =>
		transaction('ingredient_measures')
			.insert({
				id: newId(),
				kitchen_id: kitchenId,
				ingredient_id: ingredientId,
				measure: measure.measure,
				grams: measure.grams,
				low_g: measure.low,
				high_g: measure.high,
				basis: measure.basis,
				readings: measure.readings.length > 0 ? JSON.stringify(measure.readings) : null,
				created_at: utcNow()
			})
			.onConflict(['ingredient_id', 'measure'])
			.merge(['grams', 'low_g', 'high_g', 'basis', 'readings'])
	);
}

/** Sets several measures of an ingredient, all known the same way. */
export async function setMeasures(
	db: Database,
	kitchenId: string,
	ingredientId: string,
	measures: Measures,
	basis: MeasureBasis
): Promise<void> {
	for (const [measure, weight] of Object.entries(measures))
		await setMeasure(db, kitchenId, ingredientId, { measure, ...weight, basis, readings: [] });
}

/** Forgets what a measure weighs. */
export async function removeMeasure(
	db: Database,
	kitchenId: string,
	ingredientId: string,
	measure: string
): Promise<void> {
	await inTransaction(db, (transaction) =>
		transaction('ingredient_measures')
			.where({ kitchen_id: kitchenId, ingredient_id: ingredientId, measure })
			.delete()
	);
}
