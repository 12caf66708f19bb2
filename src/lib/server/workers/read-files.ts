import { Refused } from '../errors.ts';
import {
	readFile,
	type FileKind,
	type Given,
	type Read,
	type readingFiles,
	type Said
} from './reading-files.ts';
import { inWorker } from './worker.ts';

/** A file no longer than that is read sooner than a worker is begun. */
const SHORT = 50_000;
/** What is read longer is no file anybody wrote. */
const LIMIT_MS = 20_000;

/** Reads a file that somebody sent, a long one beside the server. Throws `Refused` as its reader does. */
export async function readFileRows<K extends FileKind>(kind: K, ...given: Given<K>): Promise<Read<K>> {
	const said =
		given[0].length <= SHORT
			? readFile(kind, ...given)
			: await inWorker<typeof readingFiles, Said<Read<K>>>(
					'read a file',
					async (worker) => (await worker.readFile(kind, ...(given as never))) as Said<Read<K>>,
					{ limit_ms: LIMIT_MS }
				);
	if ('refused' in said) throw new Refused(said.refused);
	return said.value;
}
