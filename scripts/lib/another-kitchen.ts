import { createHash } from 'node:crypto';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';

let copies = 0;

/** The archive as if it were of another kitchen: every id is another, and each still leads where it did. */
export function anotherKitchen(archive: Uint8Array): Uint8Array<ArrayBuffer> {
	// Every id begins with a zero until long after we are gone: another digit there makes it another.
	const era = `7${(copies++ % 32).toString(32).toUpperCase()}`.replace(/[ILOU]/, 'Z');
	const renamed = (text: string) => text.replace(/\b0[0-9A-Z]([0-9A-HJKMNP-TV-Z]{24})\b/g, `${era}$1`);
	const files = unzipSync(archive, {
		filter: ({ name }) => name === 'kitchen.json' || name.startsWith('tables/')
	});
	const manifest = JSON.parse(renamed(strFromU8(files['kitchen.json'] ?? strToU8('{}')))) as {
		tables: { name: string; sha256: string }[];
	};
	for (const table of manifest.tables) {
		const name = `tables/${table.name}.json`;
		const bytes = strToU8(renamed(strFromU8(files[name] ?? strToU8('[]'))));
		files[name] = bytes;
		table.sha256 = createHash('sha256').update(bytes).digest('hex');
	}
	return zipSync({ ...files, 'kitchen.json': strToU8(JSON.stringify(manifest)) }) as Uint8Array<ArrayBuffer>;
}
