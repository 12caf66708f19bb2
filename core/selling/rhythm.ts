import type { SoldDay } from './demand.ts';

/** What was sold of a product at a place on a day, voids and returns taken off. */
export interface Sold {
	/** `2026-03-14`. */
	day: string;
	place: string;
	productId: string;
	packs: number;
}

/** A day on which a product was sold out at a place, and the share of its hours that had passed. */
export interface SoldOut {
	day: string;
	place: string;
	productId: string;
	share: number;
}

/** What is usually wanted of a product on a selling day. */
export interface Wanted {
	productId: string;
	packs: number;
	/** What was sold on the days it is read off, newest first. */
	sold: number[];
	/** The same days, with when they had nothing left. */
	days: SoldDay[];
	/** Of today, what was sold already; 0 of another day. */
	soldToday: number;
}

/** A day on which a place will usually sell. */
export interface ComingDay {
	day: string;
	place: string;
	wanted: Wanted[];
}

/** So many weeks back say what is usual: longer ago another season sold. */
export const WEEKS_BACK = 6;
const DAYS_AHEAD = 7;
/** Of the weeks there are, so many have to have seen a sale for the day to be usual. */
const LEAST_SHARE = 0.5;
const LEAST_DAYS = 2;

const DAY_MS = 86_400_000;
const at = (day: string) => Date.parse(`${day}T00:00:00Z`);
const dayAfter = (day: string, days: number) => new Date(at(day) + days * DAY_MS).toISOString().slice(0, 10);

/**
 * The selling days from `today` through six days on, and what each usually wants. A weekday is usual at a
 * place when something was sold there on at least half of the last six such weekdays, or of those since the
 * first on which something was, and on two at least. What is wanted is the median of what those days sold, half a
 * pack up; days before a product was first sold there say nothing of it. Of today what was sold is wanted
 * no more. Days are calendar days; what is not sold for want of packs cannot be seen here.
 */
export function comingDays(
	sold: readonly Sold[],
	today: string,
	soldOut: readonly SoldOut[] = []
): ComingDay[] {
	const since = dayAfter(today, -7 * WEEKS_BACK);
	const seen = sold.filter(({ day }) => day >= since && day <= today);
	const places = [...new Set(seen.map(({ place }) => place))].sort();
	return Array.from({ length: DAYS_AHEAD }, (_, ahead) => dayAfter(today, ahead)).flatMap((day) =>
		places.flatMap((place) => {
			const here = seen.filter((each) => each.place === place);
			const wanted = wantedOn(
				here,
				day,
				today,
				soldOut.filter((each) => each.place === place)
			);
			return wanted.length === 0 ? [] : [{ day, place, wanted }];
		})
	);
}

/** What a place usually wants on the weekday of `day`; nothing where it does not usually sell then. */
function wantedOn(here: readonly Sold[], day: string, today: string, soldOut: readonly SoldOut[]): Wanted[] {
	const weeks = Array.from({ length: WEEKS_BACK }, (_, back) => dayAfter(day, -7 * (back + 1))).filter(
		(before) => before < today
	);
	const sellingDays = weeks.filter((before) => packsOn(here, before) > 0);
	const sinceFirst = weeks.findLastIndex((before) => packsOn(here, before) > 0) + 1;
	if (sellingDays.length < LEAST_DAYS || sellingDays.length < sinceFirst * LEAST_SHARE) return [];
	const onThem = here.filter((each) => sellingDays.includes(each.day));
	return [...new Set(onThem.map(({ productId }) => productId))].flatMap((productId) => {
		const of = here.filter((each) => each.productId === productId);
		const began = sellingDays.findLastIndex((before) => packsOn(of, before) > 0);
		if (began < 0) return [];
		const days = sellingDays.slice(0, began + 1).map((before): SoldDay => ({
			sold: packsOn(of, before),
			soldOutAt: soldOut.find((each) => each.day === before && each.productId === productId)?.share ?? null
		}));
		const packs = days.map(({ sold }) => sold);
		const soldToday = day === today ? packsOn(of, today) : 0;
		const left = Math.ceil(median(packs)) - soldToday;
		// A day that sold out may have wanted more than the middle of them.
		const most = Math.max(...days.map(({ sold, soldOutAt }) => Math.ceil(sold / (soldOutAt ?? 1))));
		return Math.max(left, most - soldToday) > 0
			? [{ productId, packs: Math.max(0, left), sold: packs, days, soldToday }]
			: [];
	});
}

const packsOn = (sold: readonly Sold[], day: string) =>
	Math.max(
		0,
		sold.reduce((sum, each) => sum + (each.day === day ? each.packs : 0), 0)
	);

/** The middle one of some numbers, or halfway between the middle two. */
function median(values: readonly number[]): number {
	const sorted = [...values].sort((a, b) => a - b);
	const middle = sorted.length / 2;
	const [low = 0, high = low] = [sorted[Math.ceil(middle) - 1], sorted[Math.floor(middle)]];
	return (low + high) / 2;
}
