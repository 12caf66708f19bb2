import { surfaceUse } from '$core/bench/bench.ts';
import type { Material } from '$core/formula/types.ts';
import { roundTo, settled, sumOf } from '$core/measure/round.ts';
import type { GapUnit } from '$core/squaring/closings.ts';
import type { Database } from '../db/connection.ts';
import { groupBy, toList, type Row } from '../rows.ts';
import { standingWeighings, type Weighing } from '../weighings.ts';
import type { BatchInput } from '../batches/types.ts';

/** What a batch consumed of one thing, and of which lot it was said to be. */
export interface Consumption {
	ingredientId: string | null;
	material: string | null;
	unit: GapUnit;
	consumed: number;
	named: Map<string, number>;
}

const STEP_G = 0.001;

/**
 * What a batch consumed as far as it was weighed (computation, section 11): dough with its additions, what
 * was used up of surface materials, and of each packaging material one a pack. A closed batch stands at
 * what its newest closing says.
 */
export async function consumptionOf(
	db: Database,
	kitchenId: string,
	batchId: string
): Promise<Consumption[]> {
	const [batch, lines, readings, closing] = await Promise.all([
		db('batches')
			.where({ kitchen_id: kitchenId, id: batchId })
			.first('materials', 'packs_made') as Promise<Row>,
		db('batch_lines')
			.where({ kitchen_id: kitchenId, batch_id: batchId })
			.orderBy('position')
			.select('id', 'ingredient_id', 'use_as') as Promise<Row[]>,
		standingWeighings(db, kitchenId, [batchId]),
		db('batch_closings')
			.where({ kitchen_id: kitchenId, batch_id: batchId })
			.orderBy('number', 'desc')
			.first('input') as Promise<Row | undefined>
	]);
	const closedAt = closing ? (JSON.parse(String(closing.input)) as BatchInput).lines : null;
	const byIngredient = groupBy(
		lines.map((line) => {
			const weighed = lineConsumption(line, readings);
			const closed = closedAt?.find((each) => each.id === line.id)?.grams;
			return { ...weighed, consumed: closed ?? weighed.consumed, ingredientId: String(line.ingredient_id) };
		}),
		(line) => line.ingredientId
	);
	const ingredients = [...byIngredient].map(([ingredientId, of]): Consumption => ({
		ingredientId,
		material: null,
		unit: 'g',
		consumed: settled(sumOf(of, (line) => line.consumed)),
		named: added(of.flatMap((line) => [...line.named]))
	}));
	const packs = Number(batch.packs_made);
	const materials = [...groupBy(toList<Material>(batch.materials), (material) => material.name)].map(
		([material, of]): Consumption => ({
			ingredientId: null,
			material,
			unit: 'pieces',
			consumed: packs * of.length,
			named: new Map()
		})
	);
	return [...ingredients, ...materials];
}

function lineConsumption(
	line: Row,
	readings: readonly Weighing[]
): { consumed: number; named: Map<string, number> } {
	const of = readings.filter((reading) => reading.lineId === String(line.id));
	if (line.use_as === 'dough') {
		const weighed = of.filter((reading) => reading.what === 'line');
		return { consumed: settled(sumOf(weighed, (reading) => reading.grams)), named: byLot(weighed, 1) };
	}
	const { consumed_g } = surfaceUse(
		{ readings: (what) => of.filter((reading) => reading.what === what) },
		String(line.id)
	);
	const consumed = consumed_g ?? 0;
	// What came back is not said to be of one lot or another: each gave its share.
	const taken = of.filter((reading) => reading.what === 'set out' || reading.what === 'consumed');
	const taken_g = sumOf(taken, (reading) => reading.grams);
	return { consumed, named: taken_g > 0 ? byLot(taken, Math.min(1, consumed / taken_g)) : new Map() };
}

/** Grams by the lot that readings name, times a share. */
function byLot(readings: readonly Weighing[], share: number): Map<string, number> {
	return added(
		readings.flatMap(({ lotId, grams }): [string, number][] =>
			lotId === null ? [] : [[lotId, roundTo(grams * share, STEP_G)]]
		)
	);
}

function added(amounts: readonly [string, number][]): Map<string, number> {
	const sums = new Map<string, number>();
	for (const [lotId, amount] of amounts) sums.set(lotId, settled((sums.get(lotId) ?? 0) + amount));
	return sums;
}
