import {
	NUTRIENTS,
	type Composition,
	type Nutrient,
	type NutrientAmounts
} from '../composition/nutrients.ts';
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
		.map(({ ingredient, mass_g }) => ({
			ingredient,
			mass_g,
			values: valuesOf(ingredientOf(ingredient).per100g)
		}));
	const incomplete: Incomplete[] = [];
	const amounts = noAmounts();
	let at = -1;
	for (const nutrient of NUTRIENTS) {
		at++;
		let total = 0;
		for (const { mass_g, values } of present) total += (mass_g * (values[at] ?? NaN)) / 100;
		amounts[nutrient] = total;
		// One unknown makes the sum unknown; which ones those are is asked only then.
		if (!Number.isNaN(total)) continue;
		const lacking = present
			.filter(({ values }) => Number.isNaN(values[at]))
			.map(({ ingredient }) => ingredient);
		incomplete.push({ nutrient, ingredients: [...new Set(lacking)] });
		amounts[nutrient] = null;
	}
	return { amounts, incomplete };
}

const known = new WeakMap<Composition, Float64Array>();

/** The values of a composition in the order of `NUTRIENTS`, not a number where unknown. A composition never changes. */
function valuesOf(per100g: Composition): Float64Array {
	let values = known.get(per100g);
	if (!values) {
		values = Float64Array.from(NUTRIENTS, (nutrient) => per100g[nutrient] ?? NaN);
		known.set(per100g, values);
	}
	return values;
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
