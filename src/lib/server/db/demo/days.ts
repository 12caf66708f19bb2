import { parseDate, type CalendarDate } from '@internationalized/date';

/** Weeks of history the demo kitchen has. */
export const WEEKS = 12;

/** The day `count` days from another; both as `2026-03-14`. */
export function addDays(day: string, count: number): string {
	return parseDate(day).add({ days: count }).toString();
}

/** The newest Saturday up to a day. */
export function lastSaturday(day: string): string {
	let date: CalendarDate = parseDate(day);
	while (date.toDate('UTC').getUTCDay() !== 6) date = date.subtract({ days: 1 });
	return date.toString();
}
