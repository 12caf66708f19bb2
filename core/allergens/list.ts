import type { Read } from '../measure/reading.ts';
import { NAMED_TAGS, PLAIN_TAGS, readTag } from './tags.ts';

/** What people write for a tag that is called otherwise here. */
const CALLED: Partial<Record<string, string>> = {
	soya: 'soy',
	soybean: 'soy',
	soybeans: 'soy',
	dairy: 'milk',
	eggs: 'egg',
	oat: 'oats',
	peanuts: 'peanut',
	lupine: 'lupin',
	sulfite: 'sulphite',
	sulfites: 'sulphite',
	sulphites: 'sulphite'
};

/**
 * Allergen tags from a list as it is typed: `wheat, milk, treenut:almond`; `none` and an empty list are none. What is no
 * tag is refused by its word, never left out (computation, section 10).
 */
export function readAllergens(text: string): Read<string[]> {
	const words = text
		.toLowerCase()
		.split(/[,;\n]+/)
		.map((word) => word.trim().replace(/\s*:\s*/, ':'))
		.filter(Boolean);
	if (words.length === 1 && /^(?:none|no|-|–)$/.test(words[0] ?? '')) return { ok: true, value: [] };
	const tags: string[] = [];
	for (const word of words) {
		const tag = (Object.hasOwn(CALLED, word) ? CALLED[word] : undefined) ?? word;
		if (!readTag(tag)) return { ok: false, message: unknownWords(word) };
		tags.push(tag);
	}
	return { ok: true, value: [...new Set(tags)] };
}

function unknownWords(word: string): string {
	if ((NAMED_TAGS as readonly string[]).includes(word))
		return `say which ${word}, such as ${word}:${EXAMPLES[word] ?? 'kind'}`;
	if (/^(?:tree ?)?nuts?$/.test(word)) return 'say which nut, such as treenut:almond';
	if (word === 'gluten') return 'say which grain: wheat, rye, barley or oats';
	return `"${word}" is no allergen known here: ${PLAIN_TAGS.join(', ')}, or ${NAMED_TAGS.map((tag) => `${tag}:…`).join(', ')}`;
}

const EXAMPLES: Partial<Record<string, string>> = {
	treenut: 'almond',
	fish: 'cod',
	crustacean: 'shrimp',
	mollusc: 'squid'
};

/** The list as it is typed; `none` where there is none. */
export const allergensText = (tags: readonly string[]): string =>
	tags.length === 0 ? 'none' : tags.join(', ');
