import type { Cells } from '../rows.ts';

/** The version of the archive's own form. */
export const ARCHIVE_VERSION = 1;

/** What `kitchen.json` of an archive says of the rest. */
export interface Manifest {
	squareBatchArchive: number;
	kitchen: { id: string; name: string };
	/** When it was written, ISO 8601 in UTC. */
	writtenAt: string;
	/** The form of the tables: the newest migration of the database they are from. */
	migration: string;
	tables: { name: string; rows: number; sha256: string }[];
}

export const MANIFEST = 'kitchen.json';
export const tableFile = (name: string): string => `tables/${name}.json`;

/** Rows as a JSON list with a row on each line, so that it can be read by eye and compared line by line. */
export function* rowLines(rows: readonly Cells[], isFirst: boolean): Generator<string> {
	let first = isFirst;
	for (const row of rows) {
		yield `${first ? '' : ',\n'}${JSON.stringify(row)}`;
		first = false;
	}
}
export const LIST_BEGINS = '[\n';
export const LIST_ENDS = '\n]\n';
