import { AsyncLocalStorage } from 'node:async_hooks';
import { isDeepStrictEqual } from 'node:util';
import type { Database } from './connection.ts';
import { NOT_COUNTED, noteTaken, whileNotingReads } from './reads.ts';

/** How often the rows of each table of a kitchen were changed, as one JSON object. */
export type Changes = string;

/** So many readings of one kitchen are kept, and of so many kitchens. */
const MOST_KEPT = 400;
const MOST_KITCHENS = 4;

interface Asking {
	kitchenId: string;
	changes: Changes;
	numbers: Record<string, number>;
}

/** Something that is read once for all who ask while nothing it goes by is changed. */
interface Kept {
	/** Tables it read itself; while it is still being read nobody knows them, and it goes by every one. */
	tables: readonly string[] | 'all';
	/** How often these had been changed when whoever asked for it first began. */
	at: string;
	/** What it took of other readings. */
	within: Kept[];
	/** The state of the whole kitchen for which it was found to be true last. */
	trueAt: Changes;
	value: Promise<unknown>;
	/** Reads it anew, for whoever took it; and under what it is kept. */
	again: ((now: Asking) => Kept) | null;
	what: string;
	/** How often the kitchen itself had been changed, which is handed to whoever reads. */
	kitchenAt: number | undefined;
}

const asking = new AsyncLocalStorage<Asking>();
const keptOf = new Map<string, Map<string, Kept>>();

/** Runs a request that only reads, which found the kitchen changed so often when it began. */
export function whileUnchanged<R>(kitchenId: string, changes: Changes, act: () => R): R {
	return asking.run({ kitchenId, changes, numbers: JSON.parse(changes) as Asking['numbers'] }, act);
}

/** Who asks is of a kitchen, which is read before anything: all that is kept goes by it. */
const OF_KITCHEN = ['kitchens'];
/** And a whole answer by who they are, and on what. */
const OF_WHO_ASKS = [...OF_KITCHEN, 'memberships', 'devices'];

/**
 * What `read` gives, or what it gave before where nothing it read was changed since. What it took of other readings may
 * have been read anew: where that gave the same, it is still true. The database counts the changes, so another process's
 * are seen too. Within a transaction, and where a request may write, it always reads. The result is frozen: many share it.
 * `read` may be called again for a later request, so of its own it takes nothing but the kitchen and what `what` names.
 */
export async function known<T>(
	db: Database,
	kitchenId: string,
	what: string,
	read: () => Promise<T>
): Promise<T> {
	const now = asking.getStore();
	if (!now || now.kitchenId !== kitchenId || db.isTransaction) return read();
	const again = (at: Asking): Kept => keep(at, readWith(at, what, OF_KITCHEN, read, again));
	const kept = (await keptStill(now, what)) ?? again(now);
	const value = (await kept.value) as T;
	noteTaken(kept);
	return value;
}

/** The same of a whole answer; kept only where `mayKeep` of what was read. */
export async function knownAnswer<T>(
	kitchenId: string,
	what: string,
	read: () => Promise<T>,
	mayKeep: (value: T) => boolean
): Promise<T> {
	const now = asking.getStore();
	if (now?.kitchenId !== kitchenId) return read();
	const before = await keptStill(now, what);
	if (before) return before.value as Promise<T>;
	const reading = readWith(now, what, OF_WHO_ASKS, read, null);
	const value = (await reading.value) as T;
	if (mayKeep(value)) keep(now, reading);
	return value;
}

/** What is kept under `what` and is still true. */
async function keptStill(now: Asking, what: string): Promise<Kept | undefined> {
	for (;;) {
		const found = keptOf.get(now.kitchenId)?.get(what);
		if (!found || (await isTrue(found, now))) return found;
		// Somebody else may have read it anew meanwhile.
		if (keptOf.get(now.kitchenId)?.get(what) === found) return undefined;
	}
}

/** Whether what was read is what would be read now. */
async function isTrue(kept: Kept, now: Asking): Promise<boolean> {
	if (kept.trueAt === now.changes) return true;
	if (kept.at !== changesOf(now, kept.tables)) return false;
	for (const [nth, each] of kept.within.entries()) {
		const same = await sameNow(each, now);
		if (!same) return false;
		kept.within[nth] = same;
	}
	kept.trueAt = now.changes;
	return true;
}

/** What was taken, as it is now, where it is the same as it was. */
async function sameNow(taken: Kept, now: Asking): Promise<Kept | null> {
	if (await isTrue(taken, now)) return taken;
	// It would be read for the kitchen as it was then.
	if (taken.kitchenAt !== now.numbers.kitchens) return null;
	const current = (await keptStill(now, taken.what)) ?? taken.again?.(now);
	if (!current) return null;
	try {
		return isDeepStrictEqual(await current.value, await taken.value) ? current : null;
	} catch {
		return null;
	}
}

/** Reads something, and notes what it goes by: `of` was read before it began. */
function readWith(
	now: Asking,
	what: string,
	of: readonly string[],
	read: () => Promise<unknown>,
	again: Kept['again']
): Kept {
	const kept: Kept = {
		tables: 'all',
		at: now.changes,
		within: [],
		trueAt: now.changes,
		again,
		what,
		kitchenAt: now.numbers.kitchens,
		value: whileNotingReads<unknown, Kept>(async () => read().then(frozen)).then(({ value, reads }) => {
			const names = [...new Set([...of, ...reads.tables])].sort();
			kept.tables = names.some((table) => NOT_COUNTED.includes(table)) ? 'all' : names;
			kept.at = changesOf(now, kept.tables);
			kept.within = [...reads.within];
			return value;
		})
	};
	return kept;
}

/** Keeps it for those who ask next; what failed is read again by the next. */
function keep(now: Asking, kept: Kept): Kept {
	const { what } = kept;
	const values = keptOf.get(now.kitchenId) ?? new Map<string, Kept>();
	keptOf.delete(now.kitchenId);
	keptOf.set(now.kitchenId, values);
	values.delete(what);
	values.set(what, kept);
	kept.value.catch(() => {
		if (values.get(what) === kept) values.delete(what);
	});
	letGo(values, MOST_KEPT);
	letGo(keptOf, MOST_KITCHENS);
	return kept;
}

/** Lets go of what was put in first. */
function letGo(map: Map<string, unknown>, most: number): void {
	for (const oldest of map.keys()) {
		if (map.size <= most) return;
		map.delete(oldest);
	}
}

/** How often these tables were changed when the running request began. */
function changesOf(now: Asking, tables: Kept['tables']): string {
	return tables === 'all' ? now.changes : tables.map((table) => now.numbers[table] ?? 0).join();
}

/** The value, in which nothing can be changed any more; objects of a class are left as they are. */
function frozen<T>(value: T): T {
	if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return value;
	if (value instanceof Map) for (const each of value.values()) frozen(each);
	else if (Array.isArray(value) || Object.getPrototypeOf(value) === Object.prototype) {
		Object.freeze(value);
		for (const each of Object.values(value)) frozen(each);
	}
	return value;
}
