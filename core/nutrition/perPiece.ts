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
	const present = shares
		.filter((share) => share.mass_g > 0)
		.map(({ ingredient, mass_g }) => ({ ingredient, mass_g, per100g: ingredientOf(ingredient).per100g }));
	const incomplete: Incomplete[] = [];
	const amounts = noAmounts();
	for (const nutrient of NUTRIENTS) {
		const lacking: string[] = [];
		let total = 0;
		for (const { ingredient, mass_g, per100g } of present) {
			const value = per100g[nutrient];
			if (value !== null) total += (mass_g * value) / 100;
			else if (!lacking.includes(ingredient)) lacking.push(ingredient);
		}
		if (lacking.length > 0) incomplete.push({ nutrient, ingredients: lacking });
		amounts[nutrient] = lacking.length > 0 ? null : total;
	}
	return { amounts, incomplete };
}

/** Every amount times a factor; unknown stays unknown. */
export function timesAmounts(amounts: NutrientAmounts, factor: number): NutrientAmounts {
	const times = noAmounts();
	for (const nutrient of NUTRIENTS) {
		const amount = amounts[nutrient];
		times[nutrient] = amount === null ? null : amount * factor;
	}
	return times;
}

const NOTHING_KNOWN = Object.fromEntries(NUTRIENTS.map((nutrient) => [nutrient, null])) as NutrientAmounts;
/** A copy of one object: engines read and write such fields by their place. */
const noAmounts = (): NutrientAmounts => ({ ...NOTHING_KNOWN });
