import { NUTRIENTS, type Nutrient, type NutrientAmounts } from '../composition/nutrients.ts';
import type { Ingredient } from '../formula/types.ts';
import type { Share } from './shares.ts';

/** A nutrient whose total is unknown, and the ingredients that lack it, in line order. */
export interface Incomplete {
	nutrient: Nutrient;
	ingredients: string[];
}

/**
 * Nutrients of one piece before cooking, N = Σ m·v/100 (section 5). A nutrient that any ingredient
 * lacks is null and named in `incomplete`; an ingredient without mass cannot make a total unknown.
 */
export function rawNutrients(
	shares: readonly Share[],
	ingredientOf: (id: string) => Ingredient
): { amounts: NutrientAmounts; incomplete: Incomplete[] } {
	const present = shares.filter((share) => share.mass_g > 0);
	const incomplete: Incomplete[] = [];
	const amounts = Object.fromEntries(
		NUTRIENTS.map((nutrient) => {
			const lacking = new Set<string>();
			let total = 0;
			for (const share of present) {
				const value = ingredientOf(share.ingredient).per100g[nutrient] ?? null;
				if (value === null) lacking.add(share.ingredient);
				else total += (share.mass_g * value) / 100;
			}
			if (lacking.size > 0) incomplete.push({ nutrient, ingredients: [...lacking] });
			return [nutrient, lacking.size > 0 ? null : total];
		})
	) as NutrientAmounts;
	return { amounts, incomplete };
}

/** Every amount times a factor; unknown stays unknown. */
export function timesAmounts(amounts: NutrientAmounts, factor: number): NutrientAmounts {
	return Object.fromEntries(
		NUTRIENTS.map((nutrient) => [nutrient, amounts[nutrient] === null ? null : amounts[nutrient] * factor])
	) as NutrientAmounts;
}
