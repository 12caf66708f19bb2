import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

/** The faces labels are set in. */
export const FACES = ['400-normal', '700-normal', '400-italic'] as const;
export type Face = (typeof FACES)[number];

const require = createRequire(import.meta.url);

/** The same faces as outlines that a PDF embeds: browsers get them compressed, which a PDF cannot hold. */
const OUTLINES: Record<Face, string> = {
	'400-normal': '400Regular/Arimo_400Regular.ttf',
	'700-normal': '700Bold/Arimo_700Bold.ttf',
	'400-italic': '400Regular_Italic/Arimo_400Regular_Italic.ttf'
};
const outlines = new Map<Face, Buffer>();

/** A face as the font format that is embedded in a PDF; read once. */
export function faceForPdf(face: Face): Buffer {
	const known =
		outlines.get(face) ?? readFileSync(require.resolve(`@expo-google-fonts/arimo/${OUTLINES[face]}`));
	outlines.set(face, known);
	return known;
}

/** Style rules that bring the faces along in an SVG file. */
export function embeddedFaces(): string {
	return FACES.map((face) => {
		const [weight, style] = face.split('-');
		const file = require.resolve(`@fontsource/arimo/files/arimo-latin-${face}.woff2`);
		const data = readFileSync(file).toString('base64');
		return `@font-face{font-family:Arimo;font-weight:${weight};font-style:${style};src:url(data:font/woff2;base64,${data}) format("woff2")}`;
	}).join('');
}
