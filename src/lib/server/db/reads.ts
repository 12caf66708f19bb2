import { AsyncLocalStorage } from 'node:async_hooks';
import { TABLES } from './tables.ts';

/**
 * A deed is never changed once it is done, and the row that points to it is counted. Lists of deeds are of the moment, and
 * nobody keeps them.
 */
export const NEVER_CHANGED: readonly string[] = ['deeds'];

/** Tables whose changes the database counts for no kitchen: what reads them goes by every change there is. */
export const NOT_COUNTED: readonly string[] = [
	'challenges',
	'changes',
	'creations',
	'deleted_kitchens',
	'feed',
	'feed_heads',
	'job_parts',
	'jobs',
	'pairings',
	'passkeys',
	'persons',
	'rate_limits',
	'recovery_codes',
	'request_counts',
	'sessions'
];

const NAMES = new Set<string>(Object.keys(TABLES));

/** What was read for something: tables by their names, and what was kept of other readings. */
export interface Reads<K> {
	tables: Set<string>;
	within: Set<K>;
}

const reading = new AsyncLocalStorage<Reads<unknown>>();

/** Texts of statements come again and again; so many of them are remembered. */
const MOST_TEXTS = 2000;
const tablesByText = new Map<string, readonly string[]>();

/** Tables a statement names; a column that is called like a table counts as one, which is only careful. */
export function tablesIn(sql: string): readonly string[] {
	const found = tablesByText.get(sql);
	if (found) return found;
	const tables = [...new Set(sql.match(/[a-z_]+/g) ?? [])].filter(
		(word) => NAMES.has(word) && !NEVER_CHANGED.includes(word)
	);
	if (tablesByText.size >= MOST_TEXTS) tablesByText.clear();
	tablesByText.set(sql, tables);
	return tables;
}

/** Notes that whoever is being worked for reads these tables. */
export function noteRead(tables: Iterable<string>): void {
	const reads = reading.getStore();
	if (reads) for (const table of tables) reads.tables.add(table);
}

/** Notes that whoever is being worked for takes what was read for something else. */
export const noteTaken = (kept: unknown): void => void reading.getStore()?.within.add(kept);

/** Does something; with what came of it, what was read for it itself. */
export async function whileNotingReads<T, K>(act: () => Promise<T>): Promise<{ value: T; reads: Reads<K> }> {
	const reads: Reads<K> = { tables: new Set(), within: new Set() };
	return { value: await reading.run(reads, act), reads };
}
