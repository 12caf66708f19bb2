const segmenter = new Intl.Segmenter(undefined, { granularity: 'grapheme' });
/** Units of a character: families with skin tones have some dozen. */
const LONGEST_CHARACTER = 64;
const HALVES = /\p{Surrogate}/gu;

/** Text without halves of characters, which no database keeps: what is cut at a length may end in one. */
export const wellFormed = (text: string): string => text.replace(HALVES, '');

/** The beginning of a text, of whole characters, in no more than `most` UTF-16 units: as long as a field may be. */
export function cut(text: string, most: number): string {
	if (text.length <= most) return wellFormed(text);
	let end = 0;
	// No further than needed: a character of more units than that ends beyond `most` anyway.
	for (const { index, segment } of segmenter.segment(text.slice(0, most + LONGEST_CHARACTER))) {
		if (index + segment.length > most) break;
		end = index + segment.length;
	}
	return wellFormed(text.slice(0, end));
}

/** The same of every text in a document of JSON, its keys too. */
export function wellFormedIn(document: unknown): unknown {
	if (typeof document === 'string') return wellFormed(document);
	if (Array.isArray(document)) return document.map(wellFormedIn);
	if (typeof document !== 'object' || document === null) return document;
	return Object.fromEntries(
		Object.entries(document).map(([key, value]) => [wellFormed(key), wellFormedIn(value)])
	);
}
