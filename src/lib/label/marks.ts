import type { DateKind } from '$core/label/content.ts';
import { parseDate } from '@internationalized/date';

const WORDS: Record<DateKind, string> = { 'best before': 'Best before', 'use by': 'Use by' };

/** The line of the day on a bag, `days` after its batch was made: `Best before 12 Dec 2026`. */
export const bestBefore = (madeOn: string, days: number, kind: DateKind = 'best before'): string =>
	`${WORDS[kind]} ${dateAfter(madeOn, days)}`;

/** The day `days` after another, as a bag says it: `12 Dec 2026`. */
export function dateAfter(madeOn: string, days: number): string {
	const day = parseDate(madeOn).add({ days });
	return new Intl.DateTimeFormat('en-GB', {
		day: 'numeric',
		month: 'short',
		year: 'numeric',
		timeZone: 'UTC'
	}).format(day.toDate('UTC'));
}
