import type { Source, StoredComposition, CompositionInput } from '../shelf/composition.ts';
import { COMPOSITION_KEYS, compositionOf } from '$core/composition/nutrients.ts';
import type { Intervals } from '$core/rules/pack-label.ts';
import type { RowOf } from './db/tables.ts';
import type { Database } from './db/connection.ts';
import { known } from './db/known.ts';
import { newId, toNumber, utcNow } from './rows.ts';

function fromRow(row: RowOf<'ingredient_compositions'>): StoredComposition {
	return {
		id: row.id,
		ingredientId: row.ingredient_id,
		per100g: compositionOf(Object.fromEntries(COMPOSITION_KEYS.map((key) => [key, toNumber(row[key])]))),
		source: row.source as Source,
		sourceNote: row.source_note,
		sourceOn: row.source_on,
		serving_g: toNumber(row.serving_g),
		printed: typeof row.printed === 'string' ? (JSON.parse(row.printed) as Record<string, string>) : null,
		intervals: typeof row.intervals === 'string' ? (JSON.parse(row.intervals) as Intervals) : {},
		uncertainty_percent: toNumber(row.uncertainty_percent),
		createdAt: row.created_at
	};
}

/** The newest composition of each ingredient, or of those named, by ingredient id. */
export async function currentCompositions(
	db: Database,
	kitchenId: string,
	ingredientIds?: string[]
): Promise<Map<string, StoredComposition>> {
	const newest = db('ingredient_compositions')
		.max('id')
		.where('kitchen_id', kitchenId)
		.groupBy('ingredient_id');
	if (ingredientIds) newest.whereIn('ingredient_id', ingredientIds);
	const rows = await db('ingredient_compositions').where('kitchen_id', kitchenId).whereIn('id', newest);
	return new Map(rows.map(fromRow).map((composition) => [composition.ingredientId, composition]));
}

/** The compositions with these ids, by id: what a batch was made with. */
export function compositionsById(
	db: Database,
	kitchenId: string,
	ids: string[]
): Promise<Map<string, StoredComposition>> {
	return known(db, kitchenId, `compositions ${ids.join()}`, () => readCompositionsById(db, kitchenId, ids));
}

async function readCompositionsById(
	db: Database,
	kitchenId: string,
	ids: string[]
): Promise<Map<string, StoredComposition>> {
	const rows = await db('ingredient_compositions').where('kitchen_id', kitchenId).whereIn('id', ids);
	return new Map(rows.map(fromRow).map((composition) => [composition.id, composition]));
}

/** Adds a composition, which is from then on the current one; the older ones stay. */
export async function addComposition(
	db: Database,
	kitchenId: string,
	ingredientId: string,
	composition: CompositionInput
): Promise<string> {
	const id = newId();
	await db('ingredient_compositions').insert({
		id,
		kitchen_id: kitchenId,
		ingredient_id: ingredientId,
		...Object.fromEntries(COMPOSITION_KEYS.map((key) => [key, composition.per100g[key] ?? null])),
		source: composition.source,
		source_note: composition.sourceNote,
		source_on: composition.sourceOn ?? null,
		serving_g: composition.serving_g ?? null,
		printed: composition.printed ? JSON.stringify(composition.printed) : null,
		intervals:
			composition.intervals && Object.keys(composition.intervals).length > 0
				? JSON.stringify(composition.intervals)
				: null,
		uncertainty_percent: composition.uncertainty_percent ?? null,
		created_at: utcNow()
	});
	return id;
}

/** Every composition an ingredient has had, newest first, with how many batch lines used each. */
export async function compositionHistory(
	db: Database,
	kitchenId: string,
	ingredientId: string
): Promise<(StoredComposition & { batches: number })[]> {
	const rows = await db('ingredient_compositions as c')
		.where({ 'c.kitchen_id': kitchenId, 'c.ingredient_id': ingredientId })
		.orderBy('c.id', 'desc')
		.select<(RowOf<'ingredient_compositions'> & { batches: number })[]>(
			'c.*',
			db.raw(
				'(SELECT COUNT(DISTINCT l.batch_id) FROM batch_lines l WHERE l.kitchen_id = c.kitchen_id AND l.composition_id = c.id) AS batches'
			)
		);
	return rows.map((row) => ({ ...fromRow(row), batches: row.batches }));
}

/** Whether two compositions say the same. */
export function sameComposition(a: CompositionInput, b: CompositionInput): boolean {
	const said = (each: CompositionInput) =>
		JSON.stringify([
			each.source,
			each.sourceNote,
			each.sourceOn ?? null,
			each.serving_g ?? null,
			each.printed ?? null,
			each.uncertainty_percent ?? null,
			COMPOSITION_KEYS.map((key) => each.per100g[key] ?? null)
		]);
	return said(a) === said(b);
}
