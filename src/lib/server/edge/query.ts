import { parseDate } from '@internationalized/date';

/** Whether a text of an address is a calendar day, `2026-03-14`. */
export function isDay(text: string | null): text is string {
	if (text === null || !/^\d{4}-\d\d-\d\d$/.test(text)) return false;
	try {
		return parseDate(text).toString() === text;
	} catch {
		return false;
	}
}
