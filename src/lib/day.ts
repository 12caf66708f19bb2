const formatters = new Map<string, Intl.DateTimeFormat>();

/** The calendar day it is in a time zone at a moment, `2026-03-14`. */
export function dayIn(timeZone: string, at: Date): string {
	// Making a formatter takes longer than using it a hundred times.
	const known = formatters.get(timeZone) ?? new Intl.DateTimeFormat('en-CA', { timeZone });
	formatters.set(timeZone, known);
	return known.format(at);
}
