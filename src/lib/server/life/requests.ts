import type { Database } from '../db/connection.ts';
import { log, logged } from '../edge/log.ts';

/** Whose requests are counted. */
export type Asker = `kitchen ${string}` | `session ${string}` | `from ${string}`;

/** What was asked at this process and is not yet counted in the database. */
const uncounted = new Map<string, number>();
/** What all processes counted, as it was read last. */
const counted = new Map<string, { minute: string; number: number }>();

/** One small write so often for all who asked something. */
const EVERY_MS = 1000;
/** Minutes of so long ago are of no use. */
const FORGET_MS = 10 * 60_000;

let timer: ReturnType<typeof setTimeout> | undefined;

const minuteOf = (now: number): string =>
	`${new Date(now).toISOString().slice(0, 16).replace('T', ' ')}:00.000`;

/**
 * Counts one request, and says how many whoever asks made in the running minute at all processes: as of a second ago at
 * the others, so that a limit is held within a second’s worth of requests.
 */
export function countRequest(db: Database, of: Asker, now = Date.now()): number {
	const here = (uncounted.get(of) ?? 0) + 1;
	uncounted.set(of, here);
	timer ??= setTimeout(() => void settle(db), EVERY_MS).unref();
	const before = counted.get(of);
	return (before?.minute === minuteOf(now) ? before.number : 0) + here;
}

/** How many were made in the running minute as this process knows of, without asking the database. */
export function requestsKnown(of: Asker, now = Date.now()): number {
	const before = counted.get(of);
	return (before?.minute === minuteOf(now) ? before.number : 0) + (uncounted.get(of) ?? 0);
}

/** Adds what was asked here to what all processes count, and reads what that comes to. */
export async function settle(db: Database, now = Date.now()): Promise<void> {
	const asked = [...uncounted];
	uncounted.clear();
	timer = undefined;
	if (asked.length === 0) return;
	const minute = minuteOf(now);
	try {
		await db('request_counts')
			.insert(asked.map(([of_whom, number]) => ({ of_whom, minute, number })))
			.onConflict(['of_whom', 'minute'])
			.merge({ number: db.raw('request_counts.number + VALUES(number)') });
		const rows = await db('request_counts')
			.where('minute', minute)
			.whereIn(
				'of_whom',
				asked.map(([of]) => of)
			)
			.select('of_whom', 'number');
		counted.clear();
		for (const row of rows) counted.set(row.of_whom, { minute, number: row.number });
		if (new Date(now).getUTCSeconds() === 0)
			await db('request_counts')
				.where('minute', '<', minuteOf(now - FORGET_MS))
				.delete();
	} catch (error) {
		// A minute that is not counted limits nobody.
		log.warn({ error: logged(error) }, 'requests could not be counted');
	}
}

/** What was asked in the running minute, as all processes counted it. */
export async function askedInThisMinute(db: Database, of: Asker, now = Date.now()): Promise<number> {
	const row = await db('request_counts')
		.where({ of_whom: of, minute: minuteOf(now) })
		.first('number');
	return (row?.number ?? 0) + (uncounted.get(of) ?? 0);
}
