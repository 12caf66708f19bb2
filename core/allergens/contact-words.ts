import type { ContactSource, Proposal } from './contact.ts';
import { declaredName, readTag } from './tags.ts';

/** An allergen's tag as people read it: `Sesame`, `Almond`. */
export function allergenName(tag: string): string {
	const read = readTag(tag);
	return read ? declaredName(read) : tag;
}

/** Where a proposal comes from, as the end of a sentence; `nameOf` gives the name of equipment. */
export function sourceWords({ allergen, source }: Proposal, nameOf: (equipment: string) => string): string {
	const what = allergenName(allergen);
	switch (source.kind) {
		case 'day':
			return `${what} was handled in ${source.from.name} ${source.from.code} on the same ${joined(
				source.equipment.map((id) => nameOf(id).toLowerCase())
			)}${
				source.orderKnown
					? ` before batch ${source.batchCode}, with no clean recorded in between`
					: ` the same day as batch ${source.batchCode}; which came first was not noted`
			}`;
		case 'ingredient':
			return `the pack of ${source.name} says it may contain ${what}`;
		case 'kitchen':
			return `${what} is about in the kitchen: ${source.why}`;
	}
}

/** Identifies where a proposal of the day came from, whichever batch it concerns. */
export function isOfBatch(source: ContactSource, batchId: string): boolean {
	return source.kind === 'day' && source.batchId === batchId;
}

function joined(words: readonly string[]): string {
	return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;
}
