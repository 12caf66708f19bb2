import { readTag } from '../allergens/tags.ts';
import type { Ingredient, Recipe, RulesName } from '../formula/types.ts';
import { ALLERGEN_WORDS } from '../rules/eu/allergens.ts';
import { labelName, partText } from '../formula/naming.ts';

/** What the maker calls an ingredient on this label, by its id; the shelf's label name where nothing is said. */
export type Wording = Record<string, string>;

/**
 * The recipe as a label calls it: its ingredients by the wording, itself by the name on the label, which says of which
 * ingredients a share is given. No line is ever left out by it.
 */
export function worded(recipe: Recipe, { name, wording }: { name: string; wording: Wording }): Recipe {
	return {
		...recipe,
		formula: { ...recipe.formula, name: name.trim() || recipe.formula.name },
		ingredients: recipe.ingredients.map((ingredient) => {
			const text = wording[ingredient.id]?.trim();
			return text ? { ...ingredient, label: { ...ingredient.label, [recipe.rules]: text } } : ingredient;
		})
	};
}

/**
 * Words that name the ingredient's allergens in its label name as the shelf has it and are gone from
 * the new wording: such a wording is refused. Parts of a compound still print, so their words count.
 */
export function lostAllergenWords(ingredient: Ingredient, rules: RulesName, wording: string): string[] {
	const text = (name: string) => partText({ name, parts: ingredient.parts });
	const [before, after] = [text(labelName(ingredient, rules)), text(wording)];
	return (ingredient.allergens ?? []).flatMap((allergen) => {
		const tag = readTag(allergen);
		if (!tag) return [];
		const words = tag.species ? [tag.species] : (ALLERGEN_WORDS[tag.group] ?? [tag.group]);
		const found = words.filter((word) => names(before, word));
		return found.length > 0 && !words.some((word) => names(after, word)) ? found.slice(0, 1) : [];
	});
}

/** Whether the text has the word, alone or in the plural. */
function names(text: string, word: string): boolean {
	const escaped = word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
	return new RegExp(`(?<!\\p{L})${escaped}s?(?!\\p{L})`, 'iu').test(text);
}
