import { createHash } from 'node:crypto';
import { fromBufferPromise, openPromise, type Entry, type ZipFile } from 'yauzl';
import { manifestSchema } from '../edge/archive.ts';
import { refuse, Refused } from '../errors.ts';
import type { Cells } from '../rows.ts';
import { ARCHIVE_VERSION, MANIFEST, tableFile, type Manifest } from './format.ts';

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

/** An archive as it was read: what it says of itself, and the rows of each table. */
export interface Archive {
	manifest: Manifest;
	rowsOf: (table: string) => Cells[];
}

/** Reads an archive, from its file or as it is, and sees that it is whole. Throws `Refused` with what is wrong with it. */
export async function readArchive(from: string | Uint8Array): Promise<Archive> {
	const options = { lazyEntries: true, autoClose: false };
	const opened =
		typeof from === 'string' ? openPromise(from, options) : fromBufferPromise(Buffer.from(from), options);
	const zip = await opened.catch(noZip);
	try {
		return await read(zip);
	} finally {
		zip.close();
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
	const rows = new Map<string, Cells[]>();
	for (const table of manifest.tables) {
		const file = tableFile(table.name);
		const entry = entries.get(file);
		if (!entry) return refuse('', `the archive is not whole: ${file} is missing`);
		entries.delete(file);
		const bytes = await bytesOf(zip, entry).catch(noZip);
		if (createHash('sha256').update(bytes).digest('hex') !== table.sha256)
			refuse('', `${file} is not as it was written: it was changed or is damaged`);
		const list = parsed(bytes, file);
		if (!Array.isArray(list) || list.length !== table.rows)
			return refuse('', `${file} does not hold the ${table.rows} rows it should`);
		if (!list.every(isRow)) return refuse('', `${file} holds what is no row`);
		rows.set(table.name, list);
	}
	const [unsaid] = entries.keys();
	if (unsaid !== undefined) refuse('', `${MANIFEST} says nothing of ${unsaid}, which is in the archive`);
	return { manifest, rowsOf: (table) => rows.get(table) ?? [] };
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

/** A file of the archive, unpacked; no longer than it says, which the library sees to. */
async function bytesOf(zip: ZipFile, entry: Entry): Promise<Buffer> {
	const chunks: Buffer[] = [];
	for await (const chunk of await zip.openReadStreamPromise(entry)) chunks.push(chunk as Buffer);
	return Buffer.concat(chunks);
}

/** Whether something is a row as it was written: columns of plain values. */
const isRow = (value: unknown): value is Cells =>
	typeof value === 'object' &&
	value !== null &&
	!Array.isArray(value) &&
	Object.values(value).every((cell) => cell === null || typeof cell !== 'object');

async function manifestIn(zip: ZipFile, entries: Map<string, Entry>): Promise<Manifest> {
	const entry = entries.get(MANIFEST);
	if (!entry) return refuse('', `this is not an archive of Square Batch: it has no ${MANIFEST}`);
	entries.delete(MANIFEST);
	const said = manifestSchema.validate(parsed(await bytesOf(zip, entry).catch(noZip), MANIFEST), {
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
