import type { Ingredient } from '../formula/types.ts';
import { labelName, partText } from '../formula/naming.ts';
import { ALLERGEN_WORDS } from '../rules/eu/allergens.ts';
import type { RuleSet } from '../rules/ruleset.ts';

/** What is called milk, butter and so on, and has none of it: a plant's name stands before it. */
const PLANT_BEFORE = /(?:coconut|oat|soya?|almond|rice|cashew|hazelnut|pea)\s$/iu;

/**
 * Words by which an ingredient's own label name, or that of a part, names an allergen that its confirmed list does not
 * hold (computation, section 10a): one of the two is wrong. None while nobody confirmed the list, which waits anyhow.
 */
export function untaggedWords(ingredient: Ingredient, rules: RuleSet): string[] {
	const { allergens, parts } = ingredient;
	if (!allergens) return [];
	const text = partText({ name: labelName(ingredient, rules.name), parts });
	return Object.entries(ALLERGEN_WORDS).flatMap(([tag, words]) => {
		if (allergens.includes(tag) || !rules.allergenGroups.includes(tag)) return [];
		const word = words.find((each) => isNamed(text, each, tag));
		return word === undefined ? [] : [word];
	});
}

function isNamed(text: string, word: string, tag: string): boolean {
	for (const { index } of text.matchAll(new RegExp(`(?<!\\p{L})${word}(?!\\p{L})`, 'giu')))
		if (tag !== 'milk' || !PLANT_BEFORE.test(text.slice(0, index))) return true;
	return false;
}
