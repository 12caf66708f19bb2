import type { Problem } from '$core/problem.ts';
import { Refused } from '../errors.ts';
import { readRecipe } from '../recipe-page.ts';
import { readPastSales } from '../sales/past/read.ts';
import { readShelf } from '../shelf-rows.ts';

/** Kinds of files, with what reads each: out of its text alone, and what else it is told. */
interface Readers {
	recipe: typeof readRecipe;
	shelf: typeof readShelf;
	'past sales': typeof readPastSales;
}
export type FileKind = keyof Readers;
export type Given<K extends FileKind> = Parameters<Readers[K]>;
export type Read<K extends FileKind> = ReturnType<Readers[K]>;

const READERS: { [K in FileKind]: (...given: Given<K>) => Read<K> } = {
	recipe: readRecipe,
	shelf: readShelf,
	'past sales': readPastSales
};

/** What a file says, or why it was refused: a kind of error does not come out of a worker. */
export type Said<T> = { value: T } | { refused: Problem[] };

/** Reads a file that somebody sent. */
export function readFile<K extends FileKind>(kind: K, ...given: Given<K>): Said<Read<K>> {
	try {
		return { value: READERS[kind](...given) };
	} catch (error) {
		if (error instanceof Refused) return { refused: error.problems };
		throw error;
	}
}

/** Reads files in a worker. */
export const readingFiles = { readFile };
