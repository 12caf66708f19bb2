import { sumOf } from '../measure/round.ts';
import type { ComingDay, Wanted } from './rhythm.ts';

/** Packs of one batch that are there, or will be from a day on. */
export interface Supply {
	productId: string;
	packs: number;
	/** The day they are there: today or before of what is made, the planned day of what is not. */
	from: string;
	/** They are sold through this day; null where nobody said. */
	bestBefore: string | null;
	/** Whether they are still to be made. */
	planned: boolean;
}

/** What one product needs for one selling day. */
export interface ToMake {
	productId: string;
	wanted: number;
	/** What was sold on the days it is read off, newest first. */
	sold: number[];
	/** Of what is wanted: packs that are there and keep, and packs of planned batches. */
	there: number;
	planned: number;
	/** What is missing. */
	toMake: number;
}

/** A selling day and what is to be made for it. */
export interface DayToMake {
	day: string;
	place: string;
	products: ToMake[];
	/** What is missing of all of them. */
	toMake: number;
}

/**
 * What is to be made for each coming day, in order: packs that keep through the day are taken first, those
 * whose date is nearest before others, and what an earlier day takes is gone for a later one. Packs
 * without a best-before are taken last, as nobody said how long they keep.
 */
export function whatToMake(days: readonly ComingDay[], supply: readonly Supply[]): DayToMake[] {
	const left = supply
		.map((each) => ({ ...each }))
		.sort(
			(a, b) => (a.bestBefore ?? '9999').localeCompare(b.bestBefore ?? '9999') || a.from.localeCompare(b.from)
		);
	return days.map(({ day, place, wanted }) => {
		const products = wanted.map((each) => madeFor(day, each, left));
		return { day, place, products, toMake: sumOf(products, (product) => product.toMake) };
	});
}

/** What one product needs for a day; what is taken for it is gone from `left`. */
function madeFor(day: string, { productId, packs, sold }: Wanted, left: Supply[]): ToMake {
	const taken = { there: 0, planned: 0 };
	let missing = packs;
	for (const of of left) {
		const keeps = of.from <= day && (of.bestBefore === null || of.bestBefore >= day);
		if (of.productId !== productId || !keeps) continue;
		const some = Math.min(of.packs, missing);
		of.packs -= some;
		missing -= some;
		taken[of.planned ? 'planned' : 'there'] += some;
	}
	return { productId, wanted: packs, sold, ...taken, toMake: missing };
}
