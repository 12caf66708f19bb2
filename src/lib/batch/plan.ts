import { lineStanding, type PlannedLine } from '$core/bench/batch.ts';
import { NOT_MEASURED, type Recipe } from '$core/formula/types.ts';
import type { Batch } from './types.ts';

/** The recipe of a batch as it was planned: planned lines, planned ball, nothing measured. */
export function plannedRecipe({
	recipe,
	lines
}: Pick<Batch, 'recipe'> & { lines: readonly PlannedLine[] }): Recipe {
	const planned = lines.map((line) => lineStanding({ ...line, weighed_g: null, weighedUptake_g: null }));
	return { ...recipe, formula: { ...recipe.formula, lines: planned }, measured: NOT_MEASURED };
}
