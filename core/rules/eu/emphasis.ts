import { readTag } from '../../allergens/tags.ts';
import { ALLERGEN_WORDS, ANNEX_II_NAMES, EU_ANNEX_II } from './allergens.ts';

/** The text with each word for one of these allergens between `**`. */
export function emphasised(text: string, tags: readonly string[]): string {
	const words = tags.flatMap(wordsFor).sort((a, b) => b.length - a.length);
	if (words.length === 0) return text;
	return text.replace(wordPattern(words), '**$1**');
}

/**
 * The text of one ingredient with its allergens emphasised; one that no word of it shows is added after it in
 * brackets with its Annex II name: `ghee (**milk**)` (Articles 9(1)(c) and 21(1)).
 */
export function withAllergensSeen(text: string, tags: readonly string[]): string {
	const hidden = tags.filter((tag) => {
		const words = wordsFor(tag);
		return words.length > 0 && !wordPattern(words).test(text);
	});
	const seen = emphasised(text, tags);
	if (hidden.length === 0) return seen;
	const names = new Set(hidden.map((tag) => `**${annexName(tag)}**`));
	return `${seen} (${[...names].join(', ')})`;
}

/** Whether a word for the allergen stands emphasised in a list, by whichever of its names. */
export function isEmphasised(list: string, tag: string): boolean {
	const words = [...wordsFor(tag), annexName(tag)].map((word) => word.toLowerCase());
	return (list.match(/\*\*.+?\*\*/g) ?? []).some((span) => words.includes(span.slice(2, -2).toLowerCase()));
}

/** Whether a tag is of an allergen that Annex II names. */
export const isOfAnnexII = (tag: string): boolean => wordsFor(tag).length > 0;

/** Words that show an allergen of Annex II; none for what is no such allergen. */
function wordsFor(text: string): string[] {
	const tag = readTag(text);
	if (!tag || !(EU_ANNEX_II as readonly string[]).includes(tag.group)) return [];
	if (tag.species === null) return ALLERGEN_WORDS[tag.group] ?? [tag.group];
	const group = ANNEX_II_NAMES[tag.group];
	return [`${tag.species}s`, tag.species, ...(group === undefined ? [] : [group])];
}

/** What Annex II calls it. */
function annexName(text: string): string {
	const tag = readTag(text);
	return (tag && ANNEX_II_NAMES[tag.group]) ?? tag?.species ?? text;
}

/** Finds any of these as a word of its own. */
function wordPattern(words: readonly string[]): RegExp {
	const escaped = words.map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'));
	return new RegExp(`(?<![\\p{L}])(${escaped.join('|')})(?![\\p{L}])`, 'giu');
}
