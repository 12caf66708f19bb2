/** One thing that is graded: how much of it was right, why, and when it could have been seen. */
export interface Point {
	id: 'named' | 'calm' | 'record' | 'balls' | 'packs' | 'allergens' | 'cleans' | 'recall' | 'closed' | 'time';
	words: string;
	weight: number;
	/** 0 to 1. */
	share: number;
	why: string;
	/** Empty where nothing was lost. */
	moments: string[];
}

export const point = (
	id: Point['id'],
	words: string,
	weight: number,
	share: number,
	why: string,
	moments: string[]
): Point => ({ id, words, weight, share, why, moments: share < 1 ? moments : [] });

/** Grams in words; where there are none, that. */
export const g = (grams: number | null): string =>
	grams === null ? 'nothing' : `${Math.round(grams * 10) / 10} g`;
