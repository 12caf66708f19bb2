import type { Claim } from './slips.ts';
import type { Truth } from './truth.ts';

/**
 * Of a recall: batches that hold the lot and were not named, and those named that hold none. Named is a batch by being
 * said to hold it, or by its record being said to be wrong.
 */
export function recallOf(
	{ lots, recalled }: Pick<Truth, 'lots' | 'recalled'>,
	claims: readonly Claim[]
): { missed: string[]; tooMany: string[] } {
	const said = (batch: string) =>
		claims.some(
			({ slip, subject }) => subject === batch && (slip === 'holds the lot' || slip === 'wrong lot')
		);
	const holds = lots.filter(({ really }) => really === recalled).map(({ batch }) => batch);
	return {
		missed: holds.filter((batch) => !said(batch)),
		tooMany: lots.map(({ batch }) => batch).filter((batch) => !holds.includes(batch) && said(batch))
	};
}
