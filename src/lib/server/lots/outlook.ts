import { ballsFrom, packsFrom } from '$core/massflow/balls.ts';
import { settled } from '$core/measure/round.ts';
import type { Material } from '$core/formula/types.ts';
import type { CountUnit } from '$core/stock/use.ts';
import { outlook, type Need, type Outlook } from '$core/stock/need.ts';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { known } from '../db/known.ts';
import { groupBy, toList } from '../rows.ts';
import { lotKey, lotsKeptSince, materialOf } from './draw.ts';
import type { Lot } from '../../shelf/lots.ts';

/** Something lots are kept of: what there is of it, and whether it lasts for what is planned. */
export interface StockItem extends Outlook {
	key: string;
	ingredientId: string | null;
	name: string;
	unit: CountUnit;
	/** Those with something left, oldest first. */
	lots: Lot[];
	/** Code of the batch it runs out at; null where it lasts. */
	runsOutCode: string | null;
}

/** Everything lots are kept of, by name, with what the batches planned and not made yet still need of it. */
export async function stockItems(
	db: Database,
	kitchenId: string,
	lots: readonly Lot[]
): Promise<StockItem[]> {
	const since = await lotsKeptSince(db, kitchenId);
	const names = await namesOf(db, kitchenId, [...since.keys()]);
	const { needs, codes } = await plannedNeeds(db, kitchenId);
	const lotsBy = groupBy(lots, (lot) => lotKey(lot.ingredientId, lot.name));
	return [...since.keys()]
		.map((key): StockItem => {
			const name = names.get(key);
			const of = lotsBy.get(key) ?? [];
			const seen = outlook(settled(of.reduce((sum, lot) => sum + lot.onHand, 0)), needs.get(key) ?? []);
			return {
				...seen,
				key,
				ingredientId: name === undefined ? null : key,
				name: name ?? materialOf(key),
				unit: name === undefined ? 'pieces' : 'g',
				lots: of,
				runsOutCode: seen.runsOutAt === null ? null : (codes.get(seen.runsOutAt) ?? null)
			};
		})
		.sort((a, b) => a.name.localeCompare(b.name));
}

/** What a batch's lines of an ingredient and a use are planned at together. */
type PlannedRow = Pick<RowOf<'batch_lines'>, 'batch_id' | 'ingredient_id' | 'use_as'> & { planned: string };

async function namesOf(db: Database, kitchenId: string, keys: string[]): Promise<Map<string, string>> {
	const rows = await known(db, kitchenId, `names ${keys.join()}`, () =>
		db('ingredients').where('kitchen_id', kitchenId).whereIn('id', keys).select('id', 'name')
	);
	return new Map(rows.map((row) => [row.id, row.name]));
}

/** What batches that are planned, or on the bench, will still take, in the order they are made. */
async function plannedNeeds(
	db: Database,
	kitchenId: string
): Promise<{ needs: Map<string, Need[]>; codes: Map<string, string> }> {
	const batches = await db('batches')
		.where({ kitchen_id: kitchenId, packs_made: 0 })
		.whereNull('closed_at')
		.orderBy(['made_on', 'id'])
		.select('id', 'code', 'materials', 'pack_pieces', 'ball_weight_g');
	const ids = batches.map((batch) => batch.id);
	const [lines, drawn] = await Promise.all([
		known(db, kitchenId, `planned of ${ids.join()}`, () =>
			db('batch_lines')
				.where('kitchen_id', kitchenId)
				.whereIn('batch_id', ids)
				.groupBy('batch_id', 'ingredient_id', 'use_as')
				.select<PlannedRow[]>('batch_id', 'ingredient_id', 'use_as', db.raw('SUM(planned_g) AS planned'))
		),
		known(db, kitchenId, `drawn by ${ids.join()}`, () =>
			db('lot_moves as m')
				.join('lots as l', 'l.id', 'm.lot_id')
				.where('m.kitchen_id', kitchenId)
				.whereIn('m.batch_id', ids)
				.whereNotNull('l.ingredient_id')
				.groupBy('m.batch_id', 'l.ingredient_id')
				.select('m.batch_id', 'l.ingredient_id')
				.sum('m.amount as moved')
		)
	]);
	const needs = new Map<string, Need[]>();
	const need = (key: string, batchId: string, amount: number) => {
		if (amount > 0) needs.set(key, [...(needs.get(key) ?? []), { batchId, amount: settled(amount) }]);
	};
	const linesBy = groupBy(lines, (line) => line.batch_id);
	for (const batch of batches) {
		const id = batch.id;
		const mine = linesBy.get(id) ?? [];
		for (const [ingredientId, of] of groupBy(mine, (line) => line.ingredient_id)) {
			const planned = of.reduce((sum, line) => sum + Number(line.planned), 0);
			const row = drawn.find((each) => each.batch_id === id && each.ingredient_id === ingredientId);
			need(ingredientId, id, planned + Number(row?.moved ?? 0));
		}
		const dough_g = mine.reduce((sum, line) => sum + (line.use_as === 'dough' ? Number(line.planned) : 0), 0);
		const packs = packsFrom(ballsFrom(dough_g, Number(batch.ball_weight_g)), batch.pack_pieces);
		for (const material of toList<Material>(batch.materials)) need(lotKey(null, material.name), id, packs);
	}
	return { needs, codes: new Map(batches.map((batch) => [batch.id, batch.code])) };
}
