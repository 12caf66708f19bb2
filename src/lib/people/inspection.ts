import type { Closing } from '$core/squaring/closings.ts';
import type { Traced } from '../batch/trace.ts';
import type { BatchLine } from '../batch/types.ts';
import type { Span } from './member.ts';

/** What an inspector may open. Nothing of money or customers is in any of these. */
export interface Inspected {
	span: Span | null;
	batches: {
		id: string;
		code: string;
		name: string;
		madeOn: string;
		isClosed: boolean;
		packsMade: number;
	}[];
	/** By product, with the newest revision. */
	labels: { id: string; name: string; number: number; approvedAt: string }[];
}

/** A batch: everything behind its packs, what went in, and whether it squares. */
export interface InspectedBatch {
	trace: Traced;
	stages: Closing[];
	reasons: { number: number; reason: string; closedAt: string }[];
	lines: Pick<BatchLine, 'name' | 'use' | 'planned_g' | 'weighed_g'>[];
}

/** What a product's labels said, the newest first. */
export interface InspectedLabel {
	name: string;
	revisions: { number: number; approvedAt: string; formulaNumber: number; text: string }[];
}
