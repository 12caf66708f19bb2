import { createHash } from 'node:crypto';
import { RateLimiterMySQL, RateLimiterRes } from 'rate-limiter-flexible';
import type { Database } from '../db/connection.ts';
import { databaseNamed } from '../db/connection.ts';
import { Refused } from '../errors.ts';
import { countRequest, type Asker } from '../life/requests.ts';

/** So many may fail before it has to be waited, each time twice as long. */
const FREE_TRIES = 5;
const FIRST_WAIT_S = 15;
const LONGEST_WAIT_S = 3600;
/** Failures are forgotten after so long. */
const REMEMBER_S = 24 * 3600;
/** From one address so many in a quarter of an hour, whoever they say they are. */
const PER_ADDRESS = 60;
const ADDRESS_S = 900;

/** What is asked by one person or device in a minute, before it is told to wait. A page asks for some dozens. */
const PER_MINUTE = 1200;

interface Limits {
	failures: RateLimiterMySQL;
	/** One try while a wait lasts: of many at once one takes it. */
	waits: RateLimiterMySQL;
	addresses: RateLimiterMySQL;
}

const made = new WeakMap<object, Limits>();

/** The counters of a database: every process counts in the same rows. */
function limitsOf(db: Database): Limits {
	const found = made.get(db.client as object);
	if (found) return found;
	const common = {
		storeClient: db,
		storeType: 'knex',
		dbName: databaseNamed(db),
		tableName: 'rate_limits',
		tableCreated: true
	};
	const limits = {
		failures: new RateLimiterMySQL({ ...common, keyPrefix: 'fail', points: 1_000_000, duration: REMEMBER_S }),
		waits: new RateLimiterMySQL({ ...common, keyPrefix: 'wait', points: 1, duration: LONGEST_WAIT_S }),
		addresses: new RateLimiterMySQL({
			...common,
			keyPrefix: 'from',
			points: PER_ADDRESS,
			duration: ADDRESS_S
		})
	};
	made.set(db.client as object, limits);
	return limits;
}

/** A key that tells nothing of what it is of. */
const keyOf = (text: string) =>
	createHash('sha256').update(text.toLowerCase()).digest('base64url').slice(0, 40);

/** How long to wait after so many failures. */
export const waitAfter_s = (failures: number): number =>
	failures < FREE_TRIES ? 0 : Math.min(LONGEST_WAIT_S, FIRST_WAIT_S * 2 ** (failures - FREE_TRIES));

/** Too many tries: how long until the next. */
export class Wait extends Refused {
	constructor(readonly seconds: number) {
		super([{ path: '', message: `too many tries: wait ${inWords(seconds)}, then try again` }]);
	}
}

const inWords = (seconds: number): string =>
	seconds < 90 ? `${Math.ceil(seconds)} seconds` : `${Math.ceil(seconds / 60)} minutes`;

/**
 * Lets somebody try to prove who they are, from an address and under a name: after some failures only after a
 * growing wait, and never as often as a machine would. Counted before it is tried, so that a hundred at once are a
 * hundred. Throws `Wait`; what it gives is told once it was right.
 */
export async function mayTry(db: Database, of: string, address: string): Promise<() => Promise<void>> {
	const { failures, waits, addresses } = limitsOf(db);
	const [key, from] = [keyOf(of), keyOf(address)];
	await orWait(addresses.consume(from));
	const waiting = await waits.get(key);
	if (waiting) throw new Wait(waiting.msBeforeNext / 1000);
	const { consumedPoints } = await failures.consume(key);
	const wait = waitAfter_s(consumedPoints);
	if (wait > 0) await orWait(waits.consume(key, 1, { customDuration: wait }));
	return async () => {
		await Promise.all([failures.delete(key), waits.delete(key)]);
	};
}

/** Throws `Wait` where a counter is used up. */
async function orWait(counting: Promise<RateLimiterRes>): Promise<void> {
	try {
		await counting;
	} catch (error) {
		throw error instanceof RateLimiterRes ? new Wait(error.msBeforeNext / 1000) : error;
	}
}

/** Whether one more request of somebody in, or from an address, is too many in this minute, at all processes together. */
export const isFlooding = (db: Database, of: Asker): boolean => countRequest(db, of) > PER_MINUTE;

/** An address as requests are counted by: it is nobody's to read. */
export const fromAddress = (address: string): Asker => `from ${keyOf(address)}`;
