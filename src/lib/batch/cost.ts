import type { Moved } from '$core/cost/moved.ts';
import type { BatchProfit } from '$core/cost/profit.ts';
import type { WholeCost } from '$core/cost/whole.ts';

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

/** What a batch cost and brought so far. */
export interface ProfitOfBatch extends BatchProfit {
	whole: WholeCost | null;
	sold: number;
	given: number;
}
