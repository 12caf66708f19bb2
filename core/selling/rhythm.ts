/** What was sold of a product at a place on a day, voids and returns taken off. */
export interface Sold {
	/** `2026-03-14`. */
	day: string;
	place: string;
	productId: string;
	packs: number;
}

/** What is usually wanted of a product on a selling day. */
export interface Wanted {
	productId: string;
	packs: number;
	/** What was sold on the days it is read off, newest first. */
	sold: number[];
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
export function comingDays(sold: readonly Sold[], today: string): ComingDay[] {
	const since = dayAfter(today, -7 * WEEKS_BACK);
	const seen = sold.filter(({ day }) => day >= since && day <= today);
	const places = [...new Set(seen.map(({ place }) => place))].sort();
	return Array.from({ length: DAYS_AHEAD }, (_, ahead) => dayAfter(today, ahead)).flatMap((day) =>
		places.flatMap((place) => {
			const here = seen.filter((each) => each.place === place);
			const wanted = wantedOn(here, day, today);
			return wanted.length === 0 ? [] : [{ day, place, wanted }];
		})
	);
}

/** What a place usually wants on the weekday of `day`; nothing where it does not usually sell then. */
function wantedOn(here: readonly Sold[], day: string, today: string): Wanted[] {
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
		const packs = sellingDays.slice(0, began + 1).map((before) => packsOn(of, before));
		const left = Math.ceil(median(packs)) - (day === today ? packsOn(of, today) : 0);
		return left > 0 ? [{ productId, packs: left, sold: packs }] : [];
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
