import { Decimal } from 'decimal.js';
import { pricePerUsableGram } from '../cost/cost.ts';
import type { Ingredient, Part, Price, RulesName } from '../formula/types.ts';
import { sumOf } from '../measure/round.ts';
import { labelName, withoutParenthesis } from '../statement/entries.ts';
import { COMPOSITION_KEYS, type Composition } from './nutrients.ts';

/** A line of a mix of the maker's own: a premix, a starter. */
export interface MixLine {
	ingredient: string;
	grams: number;
}

/** What follows from a mix's own lines. */
export interface MixFacts {
	grams: number;
	per100g: Composition;
	/** Null while any part's allergens are not confirmed. */
	allergens: string[] | null;
	parts: Part[];
	price: Price | undefined;
	/** Ids of parts without a price: the mix then has none. */
	unpriced: string[];
}

/**
 * Composition, allergens, parts and price of a sub-recipe: the mass-weighted sum of its own lines
 * (computation, section 1). Heaviest part first; a value that any part lacks is unknown.
 */
export function mixFacts(
	lines: readonly MixLine[],
	ingredientOf: (id: string) => Ingredient,
	rules: RulesName
): MixFacts {
	const present = lines.filter((line) => line.grams > 0);
	const grams = sumOf(present, (line) => line.grams);
	const heaviest = present.toSorted((a, b) => b.grams - a.grams).map((line) => ingredientOf(line.ingredient));
	const per100g = Object.fromEntries(
		COMPOSITION_KEYS.map((key) => {
			let total = 0;
			for (const line of present) {
				const value = ingredientOf(line.ingredient).per100g[key] ?? null;
				if (value === null) return [key, null];
				total += line.grams * value;
			}
			return [key, grams > 0 ? total / grams : null];
		})
	) as Composition;
	const confirmed = heaviest.every((ingredient) => ingredient.allergens);
	return {
		grams,
		per100g,
		allergens: confirmed ? [...new Set(heaviest.flatMap((ingredient) => ingredient.allergens ?? []))] : null,
		parts: partsOf(heaviest, rules),
		...priceOf(present, grams, ingredientOf)
	};
}

/** Parts by label name, each once; a part that is a compound carries its own parts. */
function partsOf(heaviest: readonly Ingredient[], rules: RulesName): Part[] {
	const parts = new Map<string, Part>();
	for (const ingredient of heaviest) {
		const label = labelName(ingredient, rules);
		const inner = ingredient.parts ?? [];
		const name = inner.length > 0 ? withoutParenthesis(label) : label;
		if (!parts.has(name.toLowerCase()))
			parts.set(name.toLowerCase(), inner.length > 0 ? { name, parts: inner } : { name });
	}
	return [...parts.values()];
}

function priceOf(
	lines: readonly MixLine[],
	grams: number,
	ingredientOf: (id: string) => Ingredient
): Pick<MixFacts, 'price' | 'unpriced'> {
	const unpriced = [...new Set(lines.map((line) => line.ingredient))].filter((id) => !ingredientOf(id).price);
	if (unpriced.length > 0 || lines.length === 0) return { price: undefined, unpriced };
	let amount = new Decimal(0);
	for (const line of lines) {
		const { price } = ingredientOf(line.ingredient);
		if (price) amount = amount.plus(pricePerUsableGram(price).times(line.grams));
	}
	return { price: { amount: amount.toFixed(12), grams }, unpriced };
}

/**
 * The path by which a mix would hold itself, ids from the mix back to it; null when it does not.
 * `partsOf` gives the ids a mix is made of, none for what is bought.
 */
export function mixCycle(
	id: string,
	lines: readonly MixLine[],
	partsOfMix: (id: string) => readonly string[]
): string[] | null {
	const seen = new Set<string>();
	const walk = (at: string, path: string[]): string[] | null => {
		if (at === id) return [...path, at];
		if (seen.has(at)) return null;
		seen.add(at);
		for (const part of partsOfMix(at)) {
			const found = walk(part, [...path, at]);
			if (found) return found;
		}
		return null;
	};
	for (const line of lines) {
		const found = walk(line.ingredient, [id]);
		if (found) return found;
	}
	return null;
}
