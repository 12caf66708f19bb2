import { AsyncLocalStorage } from 'node:async_hooks';
import type { Database } from './connection.ts';

/** How often the rows of each table of a kitchen were changed, as one JSON object. */
export type Changes = string;

/** What a reading goes by: tables by their names, or every table of the kitchen. */
export type Of = readonly string[] | 'all';

/** So many readings of one kitchen are kept, and of so many kitchens. */
const MOST_KEPT = 400;
const MOST_KITCHENS = 4;

interface Asking {
	kitchenId: string;
	changes: Changes;
	numbers: Record<string, number>;
}

interface Kept {
	/** How often what it goes by had been changed when it was read. */
	at: string;
	value: Promise<unknown>;
}

const asking = new AsyncLocalStorage<Asking>();
const kept = new Map<string, Map<string, Kept>>();

/** Runs a request that only reads, which found the kitchen changed so often when it began. */
export function whileUnchanged<R>(kitchenId: string, changes: Changes, act: () => R): R {
	return asking.run({ kitchenId, changes, numbers: JSON.parse(changes) as Asking['numbers'] }, act);
}

/**
 * What `read` gives, or what it gave before where none of the tables it goes by was changed since. The database
 * counts the changes, so another process's are seen too. Within a transaction, and where a request may write, it
 * always reads. The result is frozen: many share it.
 */
export function known<T>(
	db: Database,
	kitchenId: string,
	of: Of,
	what: string,
	read: () => Promise<T>
): Promise<T> {
	const now = asking.getStore();
	if (!now || now.kitchenId !== kitchenId || db.isTransaction) return read();
	const found = keptSince(kitchenId, of, what);
	if (found) return found as Promise<T>;
	const value = read().then(frozen);
	keepUntilChange(kitchenId, of, what, value);
	value.catch(() => kept.get(kitchenId)?.delete(what));
	return value;
}

/** What was kept under `what` since the tables it goes by were changed last. */
export function keptSince(kitchenId: string, of: Of, what: string): Promise<unknown> | undefined {
	const found = kept.get(kitchenId)?.get(what);
	return found && found.at === changesOf(kitchenId, of) ? found.value : undefined;
}

/** Keeps something until one of the tables it goes by is changed; not where a request may write. */
export function keepUntilChange(kitchenId: string, of: Of, what: string, value: Promise<unknown>): void {
	const at = changesOf(kitchenId, of);
	if (at === null) return;
	const values = kept.get(kitchenId) ?? new Map<string, Kept>();
	kept.delete(kitchenId);
	kept.set(kitchenId, values);
	values.delete(what);
	values.set(what, { at, value });
	letGo(values, MOST_KEPT);
	letGo(kept, MOST_KITCHENS);
}

/** Lets go of what was put in first. */
function letGo(map: Map<string, unknown>, most: number): void {
	for (const oldest of map.keys()) {
		if (map.size <= most) return;
		map.delete(oldest);
	}
}

/** How often these tables were changed when the running request began; null where none that only reads runs. */
function changesOf(kitchenId: string, of: Of): string | null {
	const now = asking.getStore();
	if (now?.kitchenId !== kitchenId) return null;
	return of === 'all' ? now.changes : of.map((table) => now.numbers[table] ?? 0).join();
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
