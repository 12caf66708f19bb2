import { collectDefaultMetrics, Counter, Gauge, Histogram, register, type Metric } from 'prom-client';
import type { Database } from '../db/connection.ts';

/**
 * What is seen of this process from outside, at a port of its own (`METRICS_PORT`). Routes are named by their pattern,
 * so that no name or id of a kitchen is among the labels.
 */

/** One of each name in a process, which may read this module from its source and from the build. */
function onceOf<M extends Metric>(name: string, make: () => M): M {
	return (register.getSingleMetric(name) as M | undefined) ?? make();
}

const name = (of: string) => `square_batch_${of}`;

export const requests = onceOf(
	name('request_seconds'),
	() =>
		new Histogram({
			name: name('request_seconds'),
			help: 'How long requests took, by route, method and kind of answer.',
			labelNames: ['route', 'method', 'status'] as const,
			buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10]
		})
);

/** Transactions that the database ended because another was in their way, and that were run again. */
export const retries = onceOf(
	name('transaction_retries_total'),
	() =>
		new Counter({
			name: name('transaction_retries_total'),
			help: 'Transactions run again after a deadlock, a lock that took too long or a failed certification.'
		})
);

/** How long ago what was read of the feed last had been told. */
export const feedLag = onceOf(
	name('feed_lag_seconds'),
	() =>
		new Gauge({
			name: name('feed_lag_seconds'),
			help: 'Time from telling to hearing of the newest entry of the feed.'
		})
);

/** Devices that listen to their kitchen's feed. */
export const listeners = onceOf(
	name('listeners'),
	() => new Gauge({ name: name('listeners'), help: 'Devices that listen at this process.' })
);

/** Work that takes long and is being done here; what waits is asked of the database. */
export const jobsRunning = onceOf(
	name('jobs_running'),
	() => new Gauge({ name: name('jobs_running'), help: 'Jobs this process is at.' })
);

interface Pool {
	numUsed(): number;
	numFree(): number;
	numPendingAcquires(): number;
}

let isWatched = false;

/** Has the process, and the connections of its database, seen too; once. */
export function watchPool(db: Database): void {
	if (isWatched) return;
	isWatched = true;
	collectDefaultMetrics({ prefix: 'square_batch_' });
	new Gauge({
		name: name('jobs_waiting'),
		help: 'Jobs of the installation that nobody is at.',
		async collect() {
			const waiting = db('jobs').where('state', 'waiting').count<{ number: number }[]>({ number: '*' });
			// Without its database the process is still seen: all but this.
			const rows = await waiting.catch(() => null);
			if (rows) this.set(rows[0]?.number ?? 0);
		}
	});
	const pool = () => (db.client as { pool?: Pool }).pool;
	new Gauge({
		name: name('pool_connections'),
		help: 'Connections to the database: in use, free, and asked for in vain so far.',
		labelNames: ['state'] as const,
		collect() {
			const of = pool();
			this.set({ state: 'used' }, of?.numUsed() ?? 0);
			this.set({ state: 'free' }, of?.numFree() ?? 0);
			this.set({ state: 'waiting' }, of?.numPendingAcquires() ?? 0);
		}
	});
}
