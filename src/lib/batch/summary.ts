import type { Standing } from '$core/bench/standing.ts';
import type { ValueSource } from '../shelf/sources.ts';
import type { NamedBatch } from './types.ts';

/** A batch as one that may say how its formula goes: whatever is sold of it. */
export type TellingBatch = Omit<BatchSummary, 'packsLeft'>;

/** How a batch stands, as it was noted when the last entry of it was kept. */
export interface BatchStanding extends Standing {
	/** Ids of the equipment it touches. */
	equipment: string[];
	/** When it last used it, as an ISO time; null where nothing tells. */
	usedUntil: string | null;
	/** Where the values it was made with come from, by ingredient id. */
	sources: Record<string, ValueSource>;
	/** What its ingredients were called, by id. */
	names: Record<string, string>;
}

/** What lists show of a batch: nothing of it is derived again. */
export interface BatchSummary extends NamedBatch {
	isClosed: boolean;
	standing: BatchStanding;
}
