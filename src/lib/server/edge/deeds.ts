import { parseDate, toZoned } from '@internationalized/date';
import type { DeedsAsked } from '../people/deeds.ts';
import { utcAt } from '../rows.ts';
import { ID } from './fields.ts';
import { isDay } from './query.ts';

const MOST_WORDS = 80;

/** Which deeds an address asks for, and as moments in UTC. */
export function deedsAsked(
	params: URLSearchParams,
	timeZone: string
): { of: DeedsAsked; bounds: { from: string | null; to: string | null }; before: string } {
	const id = (name: string) => {
		const value = params.get(name) ?? '';
		return ID.test(value) ? value : '';
	};
	const day = (name: string) => {
		const value = params.get(name);
		return isDay(value) ? value : '';
	};
	const [from, to] = [day('from'), day('to')];
	return {
		of: {
			by: id('by'),
			device: id('device'),
			from,
			to,
			words: (params.get('words') ?? '').slice(0, MOST_WORDS)
		},
		bounds: {
			from: from === '' ? null : startOf(from, timeZone, 0),
			to: to === '' ? null : startOf(to, timeZone, 1)
		},
		before: id('before')
	};
}

/** When a calendar day of the kitchen begins, some days later, as the database writes it. */
function startOf(day: string, timeZone: string, later: number): string {
	return utcAt(
		toZoned(parseDate(day).add({ days: later }), timeZone)
			.toDate()
			.getTime()
	);
}
