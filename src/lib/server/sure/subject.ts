import { NUTRIENTS } from '$core/composition/nutrients.ts';
import { isDough, type Line, type Recipe } from '$core/formula/types.ts';
import { derivePlan } from '$core/plan.ts';
import {
	USUAL_ASSUMPTIONS,
	type Assumptions,
	type LineReading,
	type Question
} from '$core/sure/assumptions.ts';
import type { KnownValue, Source } from '$core/sure/values.ts';
import type { BatchLine } from '../../batch/types.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { FormulaLine } from '../../formula/types.ts';
import type { Source as ShelfSource, StoredComposition } from '../../shelf/composition.ts';
import type { NamedLine } from '../../sure/types.ts';
import type { SpreadHistory } from './history.ts';
import { spreadsThatHold, type AssumedSpread } from './spreads.ts';

/** How sure each source of the shelf is; a mix is as sure as a table, whose rows it mostly rests on. */
const SURE_SOURCE: Record<ShelfSource, Source> = {
	laboratory: 'laboratory',
	specification: 'supplier',
	pack: 'label',
	reference: 'table',
	estimate: 'estimate',
	mix: 'table'
};

/** What the assumptions of a recipe are put together from. */
export interface Known {
	kitchen: Pick<Kitchen, 'scaleDivision_g'>;
	question: Question;
	compositions: ReadonlyMap<string, Pick<StoredComposition, 'source' | 'intervals' | 'uncertainty_percent'>>;
	assumed: readonly AssumedSpread[];
	history: SpreadHistory;
	readings: ReadonlyMap<number, LineReading>;
}

/** What is assumed of a recipe whose ingredients have these compositions. */
export function assumptionsOf(recipe: Recipe, known: Known): Assumptions {
	const { cvs, calibration } = spreadsThatHold(known.assumed);
	const ids = recipe.ingredients.map(({ id }) => id);
	const sources = ids.flatMap((id): [string, Source][] => {
		const composition = known.compositions.get(id);
		return composition ? [[id, SURE_SOURCE[composition.source]]] : [];
	});
	return {
		...USUAL_ASSUMPTIONS,
		question: known.question,
		scale: { division_g: known.kitchen.scaleDivision_g, calibration },
		lines: known.readings,
		sources: new Map(sources),
		values: ids.flatMap((id) => valuesOf(id, known)),
		batches: known.history.batches,
		pooled: known.history.pooled,
		cvs
	};
}

/** What a pack's rounding leaves open, or a laboratory states, of an ingredient's values. */
function valuesOf(ingredient: string, { compositions }: Known): KnownValue[] {
	const composition = compositions.get(ingredient);
	if (!composition) return [];
	const { source, intervals, uncertainty_percent } = composition;
	if (source === 'laboratory' && uncertainty_percent !== null)
		// Expanded uncertainty is twice the standard one.
		return NUTRIENTS.filter((nutrient) => nutrient !== 'carbohydrate_g').map((nutrient) => ({
			ingredient,
			nutrient,
			cv: uncertainty_percent / 200,
			range: null
		}));
	if (source !== 'pack') return [];
	return NUTRIENTS.flatMap((nutrient): KnownValue[] => {
		const interval = intervals[nutrient];
		if (!interval) return [];
		const [low, high] = interval;
		return [{ ingredient, nutrient, cv: null, range: { low, high } }];
	});
}

/** A line as it was said: with the range of its measure, where it gave one. */
type SaidLine = Pick<FormulaLine, 'use' | 'used_g' | 'uptake_g' | 'low_g' | 'high_g'>;

/** The range of a line as it was said, as parts of what it says; null where it gave none. */
function saidShares({ used_g, low_g, high_g }: SaidLine): { low: number; high: number } | null {
	if (low_g === null || high_g === null || high_g <= low_g || used_g <= 0) return null;
	return { low: low_g / used_g, high: high_g / used_g };
}

/** So many grams, off by these parts of them. */
const said = (typical_g: number, { low, high }: { low: number; high: number }): LineReading => ({
	kind: 'said',
	low_g: typical_g * low,
	high_g: typical_g * high,
	typical_g
});

/**
 * How each line of a formula came to its grams: what was said by the spoon has the range of its measure. Of a surface
 * material the range is of what is used, and what stays on is in proportion; what nobody ever weighed of that is left
 * to be anything up to all of it.
 */
export function formulaReadings(lines: readonly SaidLine[]): Map<number, LineReading> {
	return new Map(
		lines.flatMap((line, index): [number, LineReading][] => {
			const shares = saidShares(line);
			const grams = isDough(line) ? line.used_g : line.uptake_g;
			return shares && grams ? [[index, said(grams, shares)]] : [];
		})
	);
}

/**
 * How each line of a batch came to its grams: what nobody weighed is as it was said, whatever the batch was planned
 * times, or off by as much as is assumed.
 */
export function batchReadings(
	lines: readonly Pick<BatchLine, 'use' | 'planned_g' | 'plannedUptake_g' | 'weighed_g'>[],
	formula: readonly SaidLine[],
	assumed: readonly AssumedSpread[]
): Map<number, LineReading> {
	const { unweighed } = spreadsThatHold(assumed);
	const usual = { low: 1 - unweighed, high: 1 + unweighed };
	return new Map(
		lines.flatMap((line, index): [number, LineReading][] => {
			const grams = isDough(line) ? line.planned_g : line.plannedUptake_g;
			if (line.weighed_g !== null || !grams) return [];
			const of = formula[index];
			return [[index, said(grams, (of && saidShares(of)) ?? usual)]];
		})
	);
}

/** A recipe with the finished weight to expect of it, where none was weighed; null where it does not derive. */
export function withFinished(
	recipe: Recipe,
	cookLoss: number | null
): { recipe: Recipe | null; problem: string } {
	const outcome = derivePlan(recipe, cookLoss);
	if (!outcome.ok) return { recipe: null, problem: outcome.problems[0]?.message ?? 'it does not derive' };
	const { finishedWeight_g } = outcome.value.yield;
	if (finishedWeight_g === null)
		return { recipe: null, problem: 'no finished piece was weighed yet, so nothing prints' };
	if (recipe.measured.finishedWeights_g.length > 0) return { recipe, problem: '' };
	return {
		recipe: { ...recipe, measured: { ...recipe.measured, finishedWeights_g: [finishedWeight_g] } },
		problem: ''
	};
}

/** The lines of a recipe by name. */
export function namedLines(recipe: Pick<Recipe, 'ingredients'>, lines: readonly Line[]): NamedLine[] {
	const names = new Map(recipe.ingredients.map(({ id, name }) => [id, name]));
	return lines.map(({ ingredient, use }) => ({ ingredient, use, name: names.get(ingredient) ?? ingredient }));
}
