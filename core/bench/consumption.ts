import type { Material } from '../formula/types.ts';
import { roundTo, settled, sumOf } from '../measure/round.ts';
import type { CountUnit } from '../stock/use.ts';
import type { PlannedLine } from './batch.ts';
import { surfaceUse, type Bench, type Reading } from './bench.ts';

/** What a batch consumed of one thing, and of which lot it was said to be. */
export interface Consumption {
	/** Null for packaging. */
	ingredientId: string | null;
	material: string | null;
	unit: CountUnit;
	consumed: number;
	named: Map<string, number>;
}

const STEP_G = 0.001;

/** What a batch is read off for what it consumed. */
export interface Consuming {
	lines: readonly Pick<PlannedLine, 'id' | 'ingredient' | 'use'>[];
	bench: Bench;
	packs: number;
	materials: readonly Material[];
	/** Grams by line that its newest closing says; null while it is open. */
	closed: ReadonlyMap<string, number> | null;
}

/**
 * What a batch consumed as far as it was weighed (computation, section 11): dough with its additions, what
 * was used up of surface materials, and of each packaging material one a pack. A closed batch stands at
 * what its newest closing says.
 */
export function consumptionOf({ lines, bench, packs, materials, closed }: Consuming): Consumption[] {
	const byIngredient = new Map<string, { consumed: number; named: [string, number][] }>();
	for (const line of lines) {
		const of = lineConsumption(line, bench);
		const sum = byIngredient.get(line.ingredient) ?? { consumed: 0, named: [] };
		sum.consumed += closed?.get(line.id) ?? of.consumed;
		sum.named.push(...of.named);
		byIngredient.set(line.ingredient, sum);
	}
	const perPack = new Map<string, number>();
	for (const { name } of materials) perPack.set(name, (perPack.get(name) ?? 0) + 1);
	return [
		...[...byIngredient].map(([ingredientId, { consumed, named }]): Consumption => ({
			ingredientId,
			material: null,
			unit: 'g',
			consumed: settled(consumed),
			named: added(named)
		})),
		...[...perPack].map(([material, count]): Consumption => ({
			ingredientId: null,
			material,
			unit: 'pieces',
			consumed: packs * count,
			named: new Map()
		}))
	];
}

function lineConsumption(
	{ id, use }: Pick<PlannedLine, 'id' | 'use'>,
	bench: Bench
): { consumed: number; named: [string, number][] } {
	if (use === 'dough') {
		const weighed = bench.readings('line', id);
		return { consumed: sumOf(weighed, (reading) => reading.grams), named: byLot(weighed, 1) };
	}
	const consumed = surfaceUse(bench, id).consumed_g ?? 0;
	// What came back is not said to be of one lot or another: each gave its share.
	const taken = [...bench.readings('set out', id), ...bench.readings('consumed', id)];
	const taken_g = sumOf(taken, (reading) => reading.grams);
	return { consumed, named: taken_g > 0 ? byLot(taken, Math.min(1, consumed / taken_g)) : [] };
}

/** Grams by the lot that readings name, times a share. */
const byLot = (readings: readonly Reading[], share: number): [string, number][] =>
	readings.flatMap(({ lotId, grams }): [string, number][] =>
		lotId === null ? [] : [[lotId, roundTo(grams * share, STEP_G)]]
	);

function added(amounts: readonly [string, number][]): Map<string, number> {
	const sums = new Map<string, number>();
	for (const [lotId, amount] of amounts) sums.set(lotId, settled((sums.get(lotId) ?? 0) + amount));
	return sums;
}
