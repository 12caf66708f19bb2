import { monotonicFactory } from 'ulid';
import type { RowOf, Table } from './db/tables.ts';

const next = monotonicFactory();

/** A new id: sorts by the order in which this process made them. */
export const newId = (): string => next();

/** A moment, in ms since 1970, as the database stores it: UTC, to the millisecond. */
export const utcAt = (ms: number): string => new Date(ms).toISOString().replace('T', ' ').replace('Z', '');

/** The present as the database stores it. */
export const utcNow = (): string => utcAt(Date.now());

/** A time as the database stores it, in ms since 1970. */
export const msOf = (stored: string): number => Date.parse(`${stored.replace(' ', 'T')}Z`);

/** A decimal column as a number; null stays null. */
export function toNumber(value: unknown): number | null {
	return value === null || value === undefined ? null : Number(value);
}

/** A text that may be empty; a reference too. */
export const textOrNull = (value: Cell | undefined): string | null =>
	value === null || value === undefined ? null : String(value);

/** Money as the database gives it, without the zeros past the cents: `6.5000` → `6.50`. */
export function toMoney(value: unknown): string {
	return String(value).replace(/(\.\d\d\d*?)0+$/, '$1');
}

/** A JSON column as a list; null is an empty one. */
export function toList<T>(value: unknown): T[] {
	return typeof value === 'string' ? (JSON.parse(value) as T[]) : [];
}

/** What a column holds as the driver gives it: decimals and days as text, nothing that passed through a float. */
export type Cell = string | number | boolean | null;

/**
 * A row as the driver gives it, of one table or several joined: what a column of a name holds in any of them. What a
 * query names itself is a cell. A joined row that may be missing is decoded by `textOrNull` and `toNumber`.
 */
export type Row = RowOf<Table> & Record<string, Cell>;

/** What is written to a row: decimals may be numbers, which the database settles to its places. */
export type Cells = Record<string, Cell>;

/** Items by what `key` gives for each, groups and items in the order they come. */
export function groupBy<T, K>(items: readonly T[], key: (item: T) => K): Map<K, T[]> {
	const groups = new Map<K, T[]>();
	for (const item of items) {
		const group = groups.get(key(item));
		if (group) group.push(item);
		else groups.set(key(item), [item]);
	}
	return groups;
}
