import { createHash } from 'node:crypto';
import { unzip, type Unzipped } from 'fflate';
import { manifestSchema } from '../edge/archive.ts';
import { refuse } from '../errors.ts';
import type { Cells } from '../rows.ts';
import { ARCHIVE_VERSION, MANIFEST, tableFile, type Manifest } from './format.ts';

/** The most the tables of an archive may come to: ten busy years are a tenth of it. */
const MOST_BYTES = 1024 ** 3;

/** An archive as it was read: what it says of itself, and the rows of each table. */
export interface Archive {
	manifest: Manifest;
	rowsOf: (table: string) => Cells[];
}

/** Reads an archive and sees that it is whole. Throws `Refused` with what is wrong with it. */
export async function readArchive(bytes: Uint8Array): Promise<Archive> {
	const files = await unzipped(bytes);
	const manifest = manifestIn(files);
	const rows = new Map<string, Cells[]>();
	for (const table of manifest.tables) {
		const file = files[tableFile(table.name)];
		if (!file) refuse('', `the archive is not whole: ${tableFile(table.name)} is missing`);
		if (createHash('sha256').update(file).digest('hex') !== table.sha256)
			refuse('', `${tableFile(table.name)} is not as it was written: it was changed or is damaged`);
		const list = parsed(file, tableFile(table.name));
		if (!Array.isArray(list) || list.length !== table.rows)
			return refuse('', `${tableFile(table.name)} does not hold the ${table.rows} rows it should`);
		if (!list.every(isRow)) return refuse('', `${tableFile(table.name)} holds what is no row`);
		rows.set(table.name, list);
	}
	return { manifest, rowsOf: (table) => rows.get(table) ?? [] };
}

/** Whether something is a row as it was written: columns of plain values. */
const isRow = (value: unknown): value is Cells =>
	typeof value === 'object' &&
	value !== null &&
	!Array.isArray(value) &&
	Object.values(value).every((cell) => cell === null || typeof cell !== 'object');

function manifestIn(files: Unzipped): Manifest {
	const file = files[MANIFEST];
	if (!file) return refuse('', `this is not an archive of Square Batch: it has no ${MANIFEST}`);
	const said = manifestSchema.validate(parsed(file, MANIFEST), { convert: false });
	if (said.error) return refuse('', `${MANIFEST} cannot be read: ${said.error.message}`);
	if (said.value.squareBatchArchive !== ARCHIVE_VERSION)
		refuse('', 'this archive was written by a newer Square Batch: bring this one up to date first');
	return said.value;
}

function unzipped(bytes: Uint8Array): Promise<Unzipped> {
	let total = 0;
	return new Promise((resolve, reject) => {
		const filter = ({ name, originalSize }: { name: string; originalSize: number }) => {
			if (name !== MANIFEST && !name.startsWith('tables/')) return false;
			total += originalSize;
			return total <= MOST_BYTES;
		};
		unzip(bytes, { filter }, (error, files) => {
			if (error) reject(error);
			else resolve(files);
		});
	}).catch(() => refuse('', 'this is not a zip file, or it is damaged')) as Promise<Unzipped>;
}

function parsed(file: Uint8Array, name: string): unknown {
	try {
		return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(file));
	} catch {
		return refuse('', `${name} cannot be read: it is not JSON`);
	}
}
