import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { inflateSync } from 'node:zlib';

/** The faces labels are set in. */
export const FACES = ['400-normal', '700-normal', '400-italic'] as const;
export type Face = (typeof FACES)[number];

const require = createRequire(import.meta.url);
const fontFile = (face: Face, ending: 'woff' | 'woff2'): Buffer =>
	readFileSync(require.resolve(`@fontsource/arimo/files/arimo-latin-${face}.${ending}`));

const sfnt = new Map<Face, Buffer>();

/** A face as the font format that is embedded in a PDF; read once. */
export function faceForPdf(face: Face): Buffer {
	const known = sfnt.get(face) ?? unpackWoff(fontFile(face, 'woff'));
	sfnt.set(face, known);
	return known;
}

/** Style rules that bring the faces along in an SVG file. */
export function embeddedFaces(): string {
	return FACES.map((face) => {
		const [weight, style] = face.split('-');
		const data = fontFile(face, 'woff2').toString('base64');
		return `@font-face{font-family:Arimo;font-weight:${weight};font-style:${style};src:url(data:font/woff2;base64,${data}) format("woff2")}`;
	}).join('');
}

const WOFF_HEADER = 44;
const WOFF_ENTRY = 20;
const SFNT_HEADER = 12;
const SFNT_ENTRY = 16;

/**
 * The font inside a WOFF file (W3C WOFF 1.0): the same tables, each deflated, under another directory.
 * The PDF library can embed that, but not the compressed form.
 */
function unpackWoff(woff: Buffer): Buffer {
	const count = woff.readUInt16BE(12);
	const directory = Buffer.alloc(SFNT_HEADER + SFNT_ENTRY * count);
	const power = Math.floor(Math.log2(count));
	directory.writeUInt32BE(woff.readUInt32BE(4), 0);
	directory.writeUInt16BE(count, 4);
	directory.writeUInt16BE(16 * 2 ** power, 6);
	directory.writeUInt16BE(power, 8);
	directory.writeUInt16BE(16 * (count - 2 ** power), 10);
	const tables: Buffer[] = [];
	let at = directory.length;
	for (let index = 0; index < count; index++) {
		const entry = WOFF_HEADER + WOFF_ENTRY * index;
		const [offset, packed, length, checksum] = [4, 8, 12, 16].map((field) =>
			woff.readUInt32BE(entry + field)
		) as [number, number, number, number];
		const raw = woff.subarray(offset, offset + packed);
		const table = packed < length ? inflateSync(raw) : raw;
		const to = SFNT_HEADER + SFNT_ENTRY * index;
		woff.copy(directory, to, entry, entry + 4);
		directory.writeUInt32BE(checksum, to + 4);
		directory.writeUInt32BE(at, to + 8);
		directory.writeUInt32BE(table.length, to + 12);
		// Tables begin on four-byte boundaries.
		const padded = Buffer.concat([table, Buffer.alloc((4 - (table.length % 4)) % 4)]);
		tables.push(padded);
		at += padded.length;
	}
	return Buffer.concat([directory, ...tables]);
}
