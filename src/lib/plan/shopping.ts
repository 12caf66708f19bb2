import type { CountUnit } from '$core/stock/use.ts';

/** Something a plan needs, beside what there is of it. */
export interface ToBuy {
	key: string;
	ingredientId: string | null;
	name: string;
	unit: CountUnit;
	/** What the plan's batches take. */
	needed: number;
	/** What is there and no other batch needs; null where no lots are kept of it. */
	free: number | null;
	/** What has to be bought; 0 where there is enough. All of it where no lots are kept. */
	missing: number;
	/** Who it was bought from last; empty where nobody said. */
	supplier: string;
	/** When the first batch there is not enough for is begun, in minutes before the packing; null where there is enough. */
	neededBy_min: number | null;
}

/** A need in the order of the batches that have it. */
export interface Needed {
	at_min: number;
	amount: number;
}

/** What is missing for needs, and when the first is not met. */
export function missingOf(
	free: number | null,
	needs: readonly Needed[]
): Pick<ToBuy, 'needed' | 'missing' | 'neededBy_min'> {
	let left = Math.max(0, free ?? 0);
	let neededBy_min: number | null = null;
	let needed = 0;
	for (const { at_min, amount } of needs.toSorted((a, b) => a.at_min - b.at_min)) {
		needed += amount;
		left -= amount;
		if (left < 0 && neededBy_min === null) neededBy_min = at_min;
	}
	return { needed, missing: Math.max(0, -left), neededBy_min };
}
