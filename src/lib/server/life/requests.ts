import type { Database } from '../db/connection.ts';
import { log, logged } from '../edge/log.ts';

/** What a kitchen's devices asked at this process and is not yet counted in the database. */
const uncounted = new Map<string, number>();
/** What all processes counted of a kitchen, as it was read last. */
const counted = new Map<string, { minute: string; number: number }>();

/** One small write so often for all kitchens that asked something. */
const EVERY_MS = 1000;
/** Minutes of so long ago are of no use. */
const FORGET_MS = 10 * 60_000;

let timer: ReturnType<typeof setTimeout> | undefined;

const minuteOf = (now: number): string =>
	`${new Date(now).toISOString().slice(0, 16).replace('T', ' ')}:00.000`;

/**
 * Counts one request of a kitchen, and says how many it made in the running minute at all processes: as of a second ago at
 * the others, so that a limit is held within a second’s worth of requests.
 */
export function countRequest(db: Database, kitchenId: string, now = Date.now()): number {
	const here = (uncounted.get(kitchenId) ?? 0) + 1;
	uncounted.set(kitchenId, here);
	timer ??= setTimeout(() => void settle(db), EVERY_MS).unref();
	const before = counted.get(kitchenId);
	return (before?.minute === minuteOf(now) ? before.number : 0) + here;
}

/** How many a kitchen made in the running minute as this process knows of, without asking the database. */
export function requestsKnown(kitchenId: string, now = Date.now()): number {
	const before = counted.get(kitchenId);
	return (before?.minute === minuteOf(now) ? before.number : 0) + (uncounted.get(kitchenId) ?? 0);
}

/** Adds what was asked here to what all processes count, and reads what that comes to. */
export async function settle(db: Database, now = Date.now()): Promise<void> {
	const asked = [...uncounted];
	uncounted.clear();
	timer = undefined;
	if (asked.length === 0) return;
	const minute = minuteOf(now);
	try {
		await db('kitchen_requests')
			.insert(asked.map(([kitchen_id, number]) => ({ kitchen_id, minute, number })))
			.onConflict(['kitchen_id', 'minute'])
			.merge({ number: db.raw('kitchen_requests.number + VALUES(number)') });
		const rows = await db('kitchen_requests')
			.where('minute', minute)
			.whereIn(
				'kitchen_id',
				asked.map(([id]) => id)
			)
			.select('kitchen_id', 'number');
		counted.clear();
		for (const row of rows) counted.set(row.kitchen_id, { minute, number: row.number });
		if (new Date(now).getUTCSeconds() === 0)
			await db('kitchen_requests')
				.where('minute', '<', minuteOf(now - FORGET_MS))
				.delete();
	} catch (error) {
		// A minute that is not counted limits nobody.
		log.warn({ error: logged(error) }, 'requests could not be counted');
	}
}

/** What a kitchen asked in the running minute, as all processes counted it. */
export async function askedInThisMinute(db: Database, kitchenId: string, now = Date.now()): Promise<number> {
	const row = await db('kitchen_requests')
		.where({ kitchen_id: kitchenId, minute: minuteOf(now) })
		.first('number');
	return (row?.number ?? 0) + (uncounted.get(kitchenId) ?? 0);
}
