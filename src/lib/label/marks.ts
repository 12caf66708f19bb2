import { parseDate } from '@internationalized/date';

/** The line of a batch's best-before day, `days` after it was made: `Best before 12 Dec 2026`. */
export function bestBefore(madeOn: string, days: number): string {
	const day = parseDate(madeOn).add({ days });
	const text = new Intl.DateTimeFormat('en-GB', {
		day: 'numeric',
		month: 'short',
		year: 'numeric',
		timeZone: 'UTC'
	}).format(day.toDate('UTC'));
	return `Best before ${text}`;
}
