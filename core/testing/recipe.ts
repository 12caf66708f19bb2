import { NUTRIENTS, type Composition } from '../composition/nutrients.ts';
import type { Facts } from '../derive.ts';
import { derive } from '../derive.ts';
import type { Ingredient, Line, Recipe } from '../formula/types.ts';

/** A composition that is zero everywhere but where said. */
export function per100g(values: Composition = {}): Composition {
	return { ...Object.fromEntries(NUTRIENTS.map((nutrient) => [nutrient, 0])), ...values };
}

/** An ingredient with sensible gaps filled. */
export function ingredient(id: string, more: Partial<Ingredient> = {}): Ingredient {
	return { id, name: id, kind: 'other', per100g: per100g(), allergens: [], ...more };
}

export const flour = ingredient('flour', {
	name: 'Bread flour',
	kind: 'flour',
	per100g: per100g({
		water_g: 12,
		energy_kcal: 360,
		protein_g: 12,
		fat_g: 2,
		carbohydrate_g: 72,
		fibre_g: 3,
		iron_mg: 4
	}),
	allergens: ['wheat'],
	price: { amount: '24.00', grams: 24000 }
});

export const water = ingredient('water', {
	name: 'Water',
	kind: 'water',
	per100g: per100g({ water_g: 100 })
});

export const dough = (id: string, grams: number, stage?: string): Line => ({
	ingredient: id,
	use: 'dough',
	grams,
	...(stage ? { stage } : {})
});

/** A recipe of 1000 g flour and 600 g water in balls of 50 g, changed as said. */
export function recipe(more: Partial<Recipe> = {}): Recipe {
	return {
		squareBatch: 1,
		rules: 'us',
		currency: 'USD',
		ingredients: [flour, water],
		formula: { name: 'Plain roti', lines: [dough('flour', 1000), dough('water', 600)] },
		piece: { one: 'roti', many: 'roti', category: 'flatbread', ballWeight_g: 50 },
		batch: { finishedWeights_g: [42] },
		...more
	};
}

/** The facts of a recipe that is expected to derive. */
export function factsOf(given: Recipe): Facts {
	const outcome = derive(given);
	if (!outcome.ok)
		throw new Error(outcome.problems.map((problem) => `${problem.path}: ${problem.message}`).join('\n'));
	return outcome.value;
}

/** `path: message` of each problem of a recipe that is expected not to derive. */
export function problemsOf(given: Recipe): string[] {
	const outcome = derive(given);
	return outcome.ok ? [] : outcome.problems.map((problem) => problem.path);
}
