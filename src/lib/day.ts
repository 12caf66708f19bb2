import { fromDate, toCalendarDate } from '@internationalized/date';

/** The calendar day it is in a time zone at a moment, `2026-03-14`. */
export function dayIn(timeZone: string, at: Date): string {
	return toCalendarDate(fromDate(at, timeZone)).toString();
}

/** The calendar day it is in a time zone now. */
export const dayNow = (timeZone: string): string => dayIn(timeZone, new Date());

/** The calendar day, in a time zone, of a time as the database keeps it: UTC, `2026-03-15 00:30:00.000`. */
export function dayOfTime(stored: string, timeZone: string): string {
	return dayIn(timeZone, new Date(`${stored.replace(' ', 'T').replace('Z', '')}Z`));
}
