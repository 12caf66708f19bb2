import type { Facts } from '$core/facts.ts';
import { ribbonFigures, ribbonSoFar, type RibbonFigures } from '$core/ribbon/ribbon.ts';
import { derivePlan } from '$core/plan.ts';
import { plannedRecipe } from './plan.ts';
import type { Batch } from './types.ts';

/** The ribbon of a batch as it was planned; null where nothing can be derived of the plan. */
export function planRibbon(
	batch: Parameters<typeof plannedRecipe>[0],
	expectedLoss: number | null
): RibbonFigures | null {
	const recipe = plannedRecipe(batch);
	const planned = derivePlan(recipe, expectedLoss);
	return planned.ok ? ribbonFigures(recipe, planned.value, 0) : null;
}

/** The ribbon of a batch on the bench as far as it was measured; null before anything was. */
export function ribbonReached(
	batch: Pick<
		Batch,
		| 'recipe'
		| 'recorded'
		| 'lines'
		| 'packsSold'
		| 'doughWeight_g'
		| 'ballCount'
		| 'finishedWeights_g'
		| 'packs'
	>,
	facts: Facts | null
): RibbonFigures | null {
	if (!facts || !batch.recorded) return null;
	return ribbonSoFar(batch.recipe, facts, batch.packsSold, {
		weighed: new Set(batch.lines.flatMap((line, index) => (line.weighed_g === null ? [] : index))),
		dough: batch.doughWeight_g !== null,
		balls: batch.ballCount !== null,
		pieces: batch.finishedWeights_g.length > 0,
		packs: batch.packs !== null
	});
}
