import { readTag } from '../../allergens/tags.ts';
import { partText, withoutParenthesis } from '../../formula/naming.ts';
import { roundTo, settled } from '../../measure/round.ts';
import { entriesMass_g, heaviestFirst, sentence, type StatementEntry } from '../entry.ts';
import { ALLERGEN_WORDS, EU_ANNEX_II } from './allergens.ts';

/** Words of a product's name that do not single out an ingredient. */
const COMMON_WORDS = new Set([
	'and',
	'with',
	'the',
	'half',
	'flour',
	'bread',
	'flatbread',
	'oil',
	'water',
	'seed',
	'white'
]);

/**
 * The ingredient list by Regulation 1169/2011 Articles 18, 21 and 22: water counts as what is left in
 * the finished piece and is left out at 5 % or less of it (Annex VII A 1); allergens are emphasised
 * with `**`; an ingredient in the product's name carries its share of the weight as mixed.
 */
export function euStatement(
	entries: readonly StatementEntry[],
	finishedWeight_g: number,
	foodName: string
): string {
	const mixed_g = entriesMass_g(entries);
	const others_g = entriesMass_g(entries.filter((entry) => !entry.isWater));
	const water_g = settled(finishedWeight_g - others_g);
	const kept = entries
		.filter((entry) => !entry.isWater || water_g > settled(0.05 * finishedWeight_g))
		.map((entry) => ({ entry, order: { ...entry, mass_g: entry.isWater ? water_g : entry.mass_g } }));
	const mixedMass = new Map(kept.map(({ entry }) => [entry.name, entry.mass_g]));
	const texts = heaviestFirst(kept.map(({ order }) => order)).map((entry) => {
		const text = emphasised(partText(entry), entry.allergens);
		if (!isNamed(entry, foodName)) return text;
		const share = ((mixedMass.get(entry.name) ?? 0) / mixed_g) * 100;
		return `${text} (${roundTo(share, share < 1 ? 0.1 : 1)}%)`;
	});
	return sentence(texts.join(', '));
}

/** The text with each word for one of these allergens between `**`. */
export function emphasised(text: string, tags: readonly string[]): string {
	const words = tags.flatMap(wordsFor).sort((a, b) => b.length - a.length);
	if (words.length === 0) return text;
	const escaped = words.map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'));
	return text.replace(new RegExp(`(?<![\\p{L}])(${escaped.join('|')})(?![\\p{L}])`, 'giu'), '**$1**');
}

function wordsFor(text: string): string[] {
	const tag = readTag(text);
	if (!tag || !(EU_ANNEX_II as readonly string[]).includes(tag.group)) return [];
	if (tag.species !== null) return [`${tag.species}s`, tag.species];
	return ALLERGEN_WORDS[tag.group] ?? [tag.group];
}

function isNamed(entry: StatementEntry, foodName: string): boolean {
	if (entry.isWater) return false;
	const inName = words(foodName);
	return words(withoutParenthesis(entry.name)).some((word) =>
		inName.some((named) => named === word || (named.length >= 4 && word.startsWith(named)))
	);
}

function words(text: string): string[] {
	return text
		.toLowerCase()
		.split(/[^\p{L}]+/u)
		.map((word) => word.replace(/s$/, ''))
		.filter((word) => word.length >= 3 && !COMMON_WORDS.has(word));
}
