import { costMoved, type Moved } from '$core/cost/moved.ts';
import { isMade } from '../batches/history.ts';
import { changes } from '../batches/trends.ts';
import type { Batch } from '../batches/types.ts';

/** A batch's ingredient cost of a piece, and why it is not that of the batch before. */
export interface CostPoint {
	id: string;
	code: string;
	madeOn: string;
	/** Of a sellable piece, to 4 places. */
	perPiece: string;
	/** Null for the first, and where something of either has no price. */
	moved: Moved | null;
	/** What was otherwise than in the batch before, in words. */
	changed: string[];
}

/** How the ingredient cost of a piece went from batch to batch, the oldest first. */
export function costPoints(
	batchesNewestFirst: readonly Batch[],
	nameOf: (equipment: string) => string
): CostPoint[] {
	const oldest = batchesNewestFirst
		.filter((batch) => isMade(batch) && batch.facts?.cost.perPiece)
		.toReversed();
	return oldest.map((batch, index) => {
		const before = oldest[index - 1];
		const basis = (of: Batch) => ({ recipe: of.recipe, sellable: of.facts?.yield.sellable ?? 0 });
		return {
			id: batch.id,
			code: batch.code,
			madeOn: batch.madeOn,
			perPiece: batch.facts?.cost.perPiece ?? '',
			moved: before ? costMoved(basis(before), basis(batch)) : null,
			changed: changes(before, batch, nameOf)
		};
	});
}
