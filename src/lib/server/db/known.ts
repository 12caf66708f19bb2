import { AsyncLocalStorage } from 'node:async_hooks';
import type { Database } from './connection.ts';

/** How often a kitchen's rows were changed: all of them, and those that are written down once and used for long. */
export interface Changes {
	all: string;
	shelf: string;
}

/** What changes seldom, and is asked for by nearly every page. */
export const SHELF_TABLES: readonly string[] = [
	'kitchens',
	'ingredients',
	'ingredient_compositions',
	'ingredient_measures',
	'mix_lines',
	'price_packs',
	'families',
	'formulas',
	'formula_versions',
	'formula_lines',
	'products',
	'labels',
	'label_revisions',
	'local_profiles',
	'equipment',
	'standing_risks',
	'contact_decisions',
	'channel_fees',
	'cost_rates'
];

/** So many readings of one kitchen are kept. */
const MOST_KEPT = 200;
const MOST_KITCHENS = 4;

interface Kept {
	changes: string;
	values: Map<string, Promise<unknown>>;
}

const asking = new AsyncLocalStorage<{ kitchenId: string; changes: Changes }>();
const kept = new Map<string, Kept>();

/** Runs a request that only reads, which found the kitchen changed so often when it began. */
export function whileUnchanged<R>(kitchenId: string, changes: Changes, act: () => R): R {
	return asking.run({ kitchenId, changes }, act);
}

/**
 * What `read` gives, or what it gave before where nothing of the kitchen has been changed since (of its shelf, with
 * `of: 'shelf'`). The database counts the changes, so another process's are seen too. Within a transaction, and
 * where a request may write, it always reads. The result is frozen: many share it.
 */
export function known<T>(
	db: Database,
	kitchenId: string,
	of: keyof Changes,
	what: string,
	read: () => Promise<T>
): Promise<T> {
	const values = db.isTransaction ? null : valuesNow(kitchenId, of);
	if (!values) return read();
	const found = values.get(what);
	if (found) return found as Promise<T>;
	const reading = read().then(frozen);
	keep(values, what, reading);
	reading.catch(() => values.delete(what));
	return reading;
}

/** What was kept under `what` since anything of the kitchen was changed last. */
export function keptSince(kitchenId: string, what: string): Promise<unknown> | undefined {
	return valuesNow(kitchenId, 'all')?.get(what);
}

/** Keeps something until anything of the kitchen is changed. */
export function keepUntilChange(kitchenId: string, what: string, value: unknown): void {
	const values = valuesNow(kitchenId, 'all');
	if (values) keep(values, what, Promise.resolve(value));
}

function keep(values: Map<string, Promise<unknown>>, what: string, value: Promise<unknown>): void {
	values.set(what, value);
	for (const oldest of values.keys()) {
		if (values.size <= MOST_KEPT) break;
		values.delete(oldest);
	}
}

/** What is kept of the kitchen as the running request found it; null for a request that may write. */
function valuesNow(kitchenId: string, of: keyof Changes): Map<string, Promise<unknown>> | null {
	const now = asking.getStore();
	return now?.kitchenId === kitchenId ? valuesOf(kitchenId, of, now.changes[of]) : null;
}

function valuesOf(kitchenId: string, of: keyof Changes, changes: string): Map<string, Promise<unknown>> {
	const key = `${kitchenId} ${of}`;
	let found = kept.get(key);
	if (found?.changes !== changes) {
		found = { changes, values: new Map() };
		kept.delete(key);
		kept.set(key, found);
		for (const oldest of kept.keys()) {
			if (kept.size <= 2 * MOST_KITCHENS) break;
			kept.delete(oldest);
		}
	}
	return found.values;
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
