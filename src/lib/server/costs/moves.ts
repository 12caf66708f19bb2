import { costMoved } from '$core/cost/moved.ts';
import type { CostPoint } from '../../batch/cost.ts';
import type { BatchSummary } from '../../batch/summary.ts';
import type { Batch } from '../../batch/types.ts';
import { wasMade } from '../batches/history.ts';
import { changes } from '../batches/trends.ts';

/** How the ingredient cost of a piece went from batch to batch, the oldest first; `summaries` are of the same. */
export function costPoints(
	newestFirst: readonly Batch[],
	summaries: readonly BatchSummary[],
	nameOf: (equipment: string) => string
): CostPoint[] {
	const summaryOf = new Map(summaries.map((summary) => [summary.id, summary]));
	const oldest = newestFirst.filter((batch) => wasMade(batch) && batch.facts?.cost.perPiece).toReversed();
	return oldest.map((batch, index) => {
		const before = oldest[index - 1];
		const basis = (of: Batch) => ({ recipe: of.recipe, sellable: of.facts?.yield.sellable ?? 0 });
		const summary = summaryOf.get(batch.id);
		return {
			id: batch.id,
			code: batch.code,
			madeOn: batch.madeOn,
			perPiece: batch.facts?.cost.perPiece ?? '',
			moved: before ? costMoved(basis(before), basis(batch)) : null,
			changed: before && summary ? changes(summaryOf.get(before.id), summary, nameOf) : []
		};
	});
}
