import { controlChart, type ControlChart } from '$core/history/control.ts';
import { isMade } from './history.ts';
import type { Batch } from './types.ts';

/** A figure of a formula's batches, oldest first. */
export interface Trend {
	key: 'cookLoss' | 'residue' | 'yield' | 'hydration' | 'time';
	/** What its values are: shares from 0 to 1, or minutes. */
	unit: 'share' | 'min';
	points: TrendPoint[];
	chart: ControlChart;
}

export interface TrendPoint {
	id: string;
	code: string;
	madeOn: string;
	value: number;
	/** What was otherwise than in the batch before, in words. */
	changed: string[];
}

/** What is read off a batch; the time it took is not on it. */
const FIGURES: Record<Exclude<Trend['key'], 'time'>, (batch: Batch) => number | null> = {
	cookLoss: ({ facts }) => facts?.yield.cookLoss ?? null,
	residue: ({ facts, doughWeight_g }) =>
		facts && doughWeight_g !== null ? 1 - doughWeight_g / facts.yield.doughMass_g : null,
	yield: ({ facts }) => facts?.yield.overallYield ?? null,
	hydration: ({ facts }) => facts?.formula.hydration ?? null
};
/** A batch so much larger or smaller than the one before may behave otherwise. */
const SIZE_CHANGE = 0.2;

/**
 * How the figures of the batches made of a formula went; `nameOf` gives the name of equipment, and
 * `times_min` how long a batch took, by its id.
 */
export function trendsOf(
	batchesNewestFirst: readonly Batch[],
	nameOf: (equipment: string) => string,
	times_min: ReadonlyMap<string, number> = new Map()
): Trend[] {
	const oldest = batchesNewestFirst.filter((batch) => isMade(batch) && batch.facts).toReversed();
	const figures: Record<Trend['key'], (batch: Batch) => number | null> = {
		...FIGURES,
		time: ({ id }) => times_min.get(id) ?? null
	};
	return (Object.keys(figures) as Trend['key'][]).map((key) => {
		const points = oldest.flatMap((batch, index): TrendPoint[] => {
			const value = figures[key](batch);
			if (value === null) return [];
			const { id, code, madeOn } = batch;
			return [{ id, code, madeOn, value, changed: changes(oldest[index - 1], batch, nameOf) }];
		});
		return {
			key,
			unit: key === 'time' ? 'min' : 'share',
			points,
			chart: controlChart(points.map((point) => point.value))
		};
	});
}

/** What of a batch was otherwise than in the one before: where to look when a figure moved. */
export function changes(before: Batch | undefined, after: Batch, nameOf: (id: string) => string): string[] {
	if (!before?.facts || !after.facts) return [];
	const found: string[] = [];
	if (before.formulaNumber !== after.formulaNumber) found.push(`formula version ${after.formulaNumber}`);
	if (before.ballWeight_g !== after.ballWeight_g) found.push(`balls planned at ${after.ballWeight_g} g`);
	const size = after.facts.yield.doughMass_g / before.facts.yield.doughMass_g;
	if (Math.abs(size - 1) > SIZE_CHANGE) found.push(size > 1 ? 'a larger batch' : 'a smaller batch');
	const equipment = after.equipment.filter((id) => !before.equipment.includes(id));
	if (before.equipment.length > 0 && equipment.length > 0)
		found.push(`on ${equipment.map(nameOf).join(' and ')}`);
	const sources = Object.entries(after.sources).filter(
		([id, source]) => before.sources[id] && JSON.stringify(before.sources[id]) !== JSON.stringify(source)
	);
	for (const [id] of sources) {
		const name = after.recipe.ingredients.find((ingredient) => ingredient.id === id)?.name;
		if (name) found.push(`other values of ${name}`);
	}
	return found;
}
