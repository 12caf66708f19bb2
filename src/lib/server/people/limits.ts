import { createHash } from 'node:crypto';
import { RateLimiterMySQL, RateLimiterRes } from 'rate-limiter-flexible';
import type { Database } from '../db/connection.ts';
import { databaseNamed } from '../db/connection.ts';
import { Refused } from '../errors.ts';
import { countRequest, type Asker } from '../life/requests.ts';
import { whence } from './whence.ts';

/** So many may fail before it has to be waited, each time twice as long. */
const FREE_TRIES = 5;
const FIRST_WAIT_S = 15;
const LONGEST_WAIT_S = 3600;
/** Failures are forgotten after so long. */
const REMEMBER_S = 24 * 3600;
/** From one address so many in a quarter of an hour, whoever they say they are. */
const PER_ADDRESS = 60;
const ADDRESS_S = 900;
/** From all strange addresses together so many an hour under one name (ASVS 2.2.1). */
const PER_NAME = 100;
const NAME_S = 3600;

/** What is asked by one person or device in a minute, before it is told to wait. A page asks for some dozens. */
const PER_MINUTE = 1200;

interface Limits {
	failures: RateLimiterMySQL;
	/** One try while a wait lasts: of many at once one takes it. */
	waits: RateLimiterMySQL;
	addresses: RateLimiterMySQL;
	/** Tries under one name from everywhere but its own devices. */
	strangers: RateLimiterMySQL;
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
		}),
		strangers: new RateLimiterMySQL({
			...common,
			keyPrefix: 'name',
			points: PER_NAME,
			duration: NAME_S
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

/** Who tries to prove who they are, how, and from where. */
export interface Trying {
	/** By what they try: each is counted for itself. */
	by: 'password' | 'second' | 'code' | 'recovery' | 'passkey' | 'confirm';
	/** Whom they say they are. */
	of: string;
	/** The address they try from. */
	from: string;
	/** The device they try on, where it was let in where they say they belong: strangers' tries do not hold it. */
	device?: string | null;
}

/** What of a try is told once it was right. */
export type WasRight = () => Promise<void>;

/**
 * Lets somebody try to prove who they are: under a name, from where they are, after some failures only after a growing
 * wait, and never as often as a machine would. Whoever guesses elsewhere holds nobody here: a device that was let in
 * has counters of its own, so has recovery, and a passkey has none, as nothing of it is guessed. Counted before it is
 * tried, so that a hundred at once are a hundred. Throws `Wait`; what it gives is told once it was right.
 */
export async function mayTry(db: Database, { by, of, from, device = null }: Trying): Promise<WasRight> {
	const limits = limitsOf(db);
	const here = device === null ? `from ${whence(from)}` : `device ${device}`;
	// At a shared device everybody has the same address: who tries there is told apart by whom they say they are.
	const place = keyOf(`${OWN_WAY[by] ?? ''}${here}`);
	const isCounted = device === null || by === 'code';
	if (isCounted) await orWait(limits.addresses.consume(place));
	if (by === 'passkey') return () => Promise.resolve();
	const stranger = device === null && by !== 'confirm' ? keyOf(`${by} ${of}`) : null;
	if (stranger !== null) await orWait(limits.strangers.consume(stranger));
	const key = keyOf(`${by} ${of} ${here}`);
	const waiting = await limits.waits.get(key);
	if (waiting) throw new Wait(waiting.msBeforeNext / 1000);
	const { consumedPoints } = await limits.failures.consume(key);
	const wait = waitAfter_s(consumedPoints);
	if (wait > 0) await orWait(limits.waits.consume(key, 1, { customDuration: wait }));
	return async () => {
		// A short code is guessed in days by who may try again after each right one of its owner: those stay counted.
		await (by === 'code' ? limits.failures.reward(key, 1) : limits.failures.delete(key));
		await limits.waits.delete(key);
		if (isCounted) await limits.addresses.reward(place, 1);
		if (stranger !== null) await limits.strangers.reward(stranger, 1);
	};
}

/** What is counted apart from the rest of an address. */
const OWN_WAY: Partial<Record<Trying['by'], string>> = { recovery: 'recovery ', passkey: 'passkey ' };

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
export const fromAddress = (address: string): Asker => `from ${keyOf(whence(address))}`;

/** An address in a digest, for telling whether something is used from elsewhere. */
export const addressKey = (address: string): string => keyOf(whence(address));
