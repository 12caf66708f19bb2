import { createHash } from 'node:crypto';
import { fromBufferPromise, openPromise, type Entry, type ZipFile } from 'yauzl';
import { manifestSchema } from '../edge/archive.ts';
import { refuse, Refused } from '../errors.ts';
import type { Cells } from '../rows.ts';
import { ARCHIVE_VERSION, MANIFEST, tableFile, type Manifest } from './format.ts';
import { rowsIn } from './rows.ts';

const MIB = 1024 ** 2;
/** The most an archive's tables may come to, and each of them: ten busy years are a tenth of it. */
const MOST_BYTES = 1024 * MIB;
const MOST_OF_ONE = 384 * MIB;
const MOST_ROWS = 5_000_000;
/** Files in it: each batch and each label revision is one. */
const MOST_FILES = 500_000;
/** Rows of a table pack to a thirtieth; what packs to much less than that is made to burst. */
const MOST_RATIO = 200;
const SMALL = MIB;

/** Rows of a table, from the first on, each time they are asked for. */
export type Rows = AsyncIterable<Cells> | Iterable<Cells>;

/** An archive that can be read: what it says of itself, and the rows of each table, of which none is kept in memory. */
export interface Archive {
	manifest: Manifest;
	rowsOf: (table: string) => Rows;
	/** Lets go of its file, once nothing more is read of it. */
	close?: () => unknown;
}

/**
 * Opens an archive, from its file or as it is, and sees that it is whole, by reading all of it once. Throws `Refused`
 * with what is wrong with it.
 */
export async function readArchive(from: string | Uint8Array): Promise<Archive> {
	const options = { lazyEntries: true, autoClose: false };
	const opened =
		typeof from === 'string' ? openPromise(from, options) : fromBufferPromise(Buffer.from(from), options);
	const zip = await opened.catch(noZip);
	try {
		return await read(zip);
	} catch (error) {
		zip.close();
		throw error;
	}
}

/** What the library throws on is the zip's fault; what was refused was refused for a reason. */
function noZip(error: unknown): never {
	if (error instanceof Refused) throw error;
	return refuse('', 'this is not a zip file, or it is damaged');
}

async function read(zip: ZipFile): Promise<Archive> {
	const entries = await entriesOf(zip).catch(noZip);
	const manifest = await manifestIn(zip, entries);
	const tables = new Map<string, Entry>();
	for (const table of manifest.tables) {
		const file = tableFile(table.name);
		const entry = entries.get(file);
		if (!entry) return refuse('', `the archive is not whole: ${file} is missing`);
		entries.delete(file);
		tables.set(table.name, entry);
	}
	const [unsaid] = entries.keys();
	if (unsaid !== undefined) refuse('', `${MANIFEST} says nothing of ${unsaid}, which is in the archive`);
	for (const table of manifest.tables) {
		const entry = tables.get(table.name);
		if (entry) await seeThatItIsWhole(zip, entry, table).catch(noZip);
	}
	const rowsOf = (table: string): Rows => {
		const entry = tables.get(table);
		return entry ? rowsIn(bytesOf(zip, entry), tableFile(table)) : [];
	};
	return { manifest, rowsOf, close: () => zip.close() };
}

/** Reads a table's file to its end: it is as it was written, and holds the rows it should. */
async function seeThatItIsWhole(
	zip: ZipFile,
	entry: Entry,
	{ name, rows, sha256 }: Manifest['tables'][number]
): Promise<void> {
	const file = tableFile(name);
	const hash = createHash('sha256');
	for await (const chunk of bytesOf(zip, entry)) hash.update(chunk);
	if (hash.digest('hex') !== sha256)
		refuse('', `${file} is not as it was written: it was changed or is damaged`);
	let count = 0;
	const all = rowsIn(bytesOf(zip, entry), file);
	while (!(await all.next()).done) count++;
	if (count !== rows) refuse('', `${file} does not hold the ${rows} rows it should`);
}

/** The archive's tables by the names of their files, none yet unpacked; refuses what would come to too much. */
async function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
	const entries = new Map<string, Entry>();
	let [total, files] = [0, 0];
	for await (const entry of zip.eachEntry()) {
		if (++files > MOST_FILES) refuse('', `the archive holds more than ${MOST_FILES} files`);
		const { fileName, uncompressedSize, compressedSize } = entry;
		if (fileName !== MANIFEST && !/^tables\/./.test(fileName)) continue;
		if (entries.has(fileName)) refuse('', `the archive holds ${fileName} twice`);
		total += uncompressedSize;
		if (uncompressedSize > MOST_OF_ONE || total > MOST_BYTES)
			refuse('', `the archive is too large: unpacked, its tables may come to ${MOST_BYTES / MIB} MiB`);
		if (uncompressedSize > SMALL && uncompressedSize > MOST_RATIO * compressedSize)
			refuse('', `${fileName} unpacks to ${MOST_RATIO} times its size and more: no archive of ours does`);
		entries.set(fileName, entry);
	}
	return entries;
}

/** A file of the archive, unpacked piece by piece; no longer than it says, which the library sees to. */
async function* bytesOf(zip: ZipFile, entry: Entry): AsyncGenerator<Buffer> {
	for await (const chunk of await zip.openReadStreamPromise(entry)) yield chunk as Buffer;
}

/** What the archive says of itself is short. */
const MOST_OF_THE_MANIFEST = 4 * MIB;

async function wholeOf(zip: ZipFile, entry: Entry): Promise<Buffer> {
	if (entry.uncompressedSize > MOST_OF_THE_MANIFEST) refuse('', `${MANIFEST} is too large to be one of ours`);
	const chunks: Buffer[] = [];
	for await (const chunk of bytesOf(zip, entry)) chunks.push(chunk);
	return Buffer.concat(chunks);
}

async function manifestIn(zip: ZipFile, entries: Map<string, Entry>): Promise<Manifest> {
	const entry = entries.get(MANIFEST);
	if (!entry) return refuse('', `this is not an archive of Square Batch: it has no ${MANIFEST}`);
	entries.delete(MANIFEST);
	const said = manifestSchema.validate(parsed(await wholeOf(zip, entry).catch(noZip), MANIFEST), {
		convert: false
	});
	if (said.error) return refuse('', `${MANIFEST} cannot be read: ${said.error.message}`);
	if (said.value.squareBatchArchive !== ARCHIVE_VERSION)
		refuse('', 'this archive was written by a newer Square Batch: bring this one up to date first');
	if (said.value.tables.reduce((sum, { rows }) => sum + rows, 0) > MOST_ROWS)
		refuse('', `the archive says it has more than ${MOST_ROWS} rows`);
	return said.value;
}

function parsed(file: Uint8Array, name: string): unknown {
	try {
		return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(file));
	} catch {
		return refuse('', `${name} cannot be read: it is not JSON`);
	}
}
