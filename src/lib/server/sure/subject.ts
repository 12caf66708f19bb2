import { NUTRIENTS } from '$core/composition/nutrients.ts';
import type { Line, Recipe } from '$core/formula/types.ts';
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

/** How each line of a formula came to its grams: what was said by the spoon has the range of its measure. */
export function formulaReadings(lines: readonly FormulaLine[]): Map<number, LineReading> {
	return new Map(
		lines.flatMap(({ low_g, high_g }, index): [number, LineReading][] =>
			low_g !== null && high_g !== null && high_g > low_g ? [[index, { kind: 'said', low_g, high_g }]] : []
		)
	);
}

/**
 * How each line of a batch came to its grams: what nobody weighed is as it was said, or off by as much as is assumed.
 */
export function batchReadings(
	lines: readonly BatchLine[],
	said: ReadonlyMap<number, LineReading>,
	assumed: readonly AssumedSpread[]
): Map<number, LineReading> {
	const { unweighed } = spreadsThatHold(assumed);
	return new Map(
		lines.flatMap((line, index): [number, LineReading][] => {
			if (line.weighed_g !== null) return [];
			const known = said.get(index);
			if (known) return [[index, known]];
			const grams = line.planned_g;
			return [[index, { kind: 'said', low_g: grams * (1 - unweighed), high_g: grams * (1 + unweighed) }]];
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
