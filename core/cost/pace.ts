import { Decimal } from 'decimal.js';

/** How fast a year's sales go. */
export interface Pace {
	/** What the year comes to if it goes on so, to the cent. */
	atYearsEnd: string;
	/** The day the limit is reached if it goes on so; null without a limit, or where it is not this year. */
	reachedOn: string | null;
}

const DAY_MS = 86_400_000;
const at = (day: string) => Date.parse(`${day}T00:00:00Z`);
const text = (time: number) => new Date(time).toISOString().slice(0, 10);

/**
 * Where a calendar year's sales lead, as many a day as there were from its first day through `day`. Null
 * before anything was sold. `money` and `limit` are decimal strings; `day` is `2026-03-14`.
 */
export function paceOf(money: string, limit: string | null, day: string): Pace | null {
	const sold = new Decimal(money);
	if (sold.lessThanOrEqualTo(0)) return null;
	const year = Number(day.slice(0, 4));
	const first = at(`${year}-01-01`);
	const days = (at(day) - first) / DAY_MS + 1;
	const daysOfYear = (at(`${year + 1}-01-01`) - first) / DAY_MS;
	const atYearsEnd = sold.times(daysOfYear).div(days);
	if (limit === null || atYearsEnd.lessThan(limit))
		return { atYearsEnd: atYearsEnd.toFixed(2), reachedOn: null };
	const daysToLimit = new Decimal(limit).times(days).div(sold).ceil().toNumber();
	return {
		atYearsEnd: atYearsEnd.toFixed(2),
		// Reached already, on some day up to now.
		reachedOn: sold.greaterThanOrEqualTo(limit) ? day : text(first + (daysToLimit - 1) * DAY_MS)
	};
}
