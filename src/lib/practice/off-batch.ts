import type { OffBatch } from '$core/practice/own.ts';
import type { Batch } from '../batch/types.ts';

/** A batch as an exercise is made of it: its formula as it was planned, and how its stages closed. */
export const offBatchOf = ({ code, recipe, lines, facts, closings }: Batch): OffBatch => ({
	code,
	recipe: {
		...recipe,
		formula: {
			...recipe.formula,
			lines: lines.map(({ ingredient, use, stage, planned_g, plannedUptake_g }) => ({
				ingredient,
				use,
				stage,
				used_g: planned_g,
				uptake_g: plannedUptake_g
			}))
		}
	},
	cookLoss: facts?.yield.cookLoss ?? null,
	closings
});
