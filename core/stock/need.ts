import { settled, sumOf } from '../measure/round.ts';

/** How one thing on the shelf stands to what is planned. */
export interface Outlook {
	onHand: number;
	planned: number;
	/** What is missing for the planned batches; 0 where there is enough. */
	missing: number;
	/** The first planned batch there is not enough for; null where there is enough. */
	runsOutAt: string | null;
}

/** What a planned batch will take of it. */
export interface Need {
	batchId: string;
	amount: number;
}

/** Whether what is on hand lasts for the batches planned, taken in the order they will be made. */
export function outlook(onHand: number, needsInOrder: readonly Need[]): Outlook {
	const planned = settled(sumOf(needsInOrder, (need) => need.amount));
	let left = onHand;
	let runsOutAt: string | null = null;
	for (const { batchId, amount } of needsInOrder) {
		left = settled(left - amount);
		if (left < 0) {
			runsOutAt = batchId;
			break;
		}
	}
	return { onHand, planned, missing: settled(Math.max(0, planned - Math.max(0, onHand))), runsOutAt };
}

/** How a best-before stands to today. */
export type Freshness = 'past' | 'near' | 'good' | 'undated';

/** A lot is near its date from this many days before it. */
export const NEAR_DAYS = 21;

/** Days are calendar days, `2026-03-14`; a lot is good through its date. */
export function freshness(bestBefore: string | null, today: string): Freshness {
	if (bestBefore === null) return 'undated';
	const days = Math.round((Date.parse(bestBefore) - Date.parse(today)) / 86_400_000);
	return days < 0 ? 'past' : days <= NEAR_DAYS ? 'near' : 'good';
}
