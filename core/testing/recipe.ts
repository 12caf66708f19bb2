import { NUTRIENTS, compositionOf, type Composition, type SomeValues } from '../composition/nutrients.ts';
import { derive } from '../derive.ts';
import type { Facts } from '../facts.ts';
import {
	ingredientOf,
	recipeOfDocument,
	type FileDocument,
	type IngredientDocument
} from '../file/document.ts';
import type { Ingredient, Line, Recipe, SurfaceUse } from '../formula/types.ts';

/** A composition that is zero everywhere but where said. */
export function per100g(values: SomeValues = {}): Composition {
	return compositionOf({ ...Object.fromEntries(NUTRIENTS.map((nutrient) => [nutrient, 0])), ...values });
}

/** An ingredient with sensible gaps filled. */
export function ingredient(id: string, more: Partial<Omit<IngredientDocument, 'id'>> = {}): Ingredient {
	return ingredientOf({ id, name: id, kind: 'other', per100g: per100g(), allergens: [], ...more });
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

/** A line of the dough. */
export const dough = (id: string, used_g: number, stage: string | null = null): Line => ({
	ingredient: id,
	use: 'dough',
	stage,
	used_g,
	uptake_g: null
});

/** A surface material: used up, and what of it stays on; null leaves that to the usual share. */
export const surface = (
	id: string,
	use: SurfaceUse,
	used_g: number,
	uptake_g: number | null = null
): Line => ({ ingredient: id, use, stage: null, used_g, uptake_g });

/** What a test says of a recipe: lines and ingredients of the model, the rest as a file has it. */
export interface Given extends Partial<
	Pick<FileDocument, 'rules' | 'currency' | 'piece' | 'batch' | 'pack'>
> {
	ingredients?: Ingredient[];
	formula?: { name: string; lines: Line[] };
}

/** A recipe of 1000 g flour and 600 g water in balls of 50 g, changed as said. */
export function recipe(more: Given = {}): Recipe {
	const { ingredients = [flour, water], formula, ...rest } = more;
	const made = recipeOfDocument({
		squareBatch: 1,
		rules: 'us',
		currency: 'USD',
		ingredients: [],
		formula: { name: formula?.name ?? 'Plain roti', lines: [] },
		piece: { one: 'roti', many: 'roti', category: 'flatbread', ballWeight_g: 50 },
		batch: { finishedWeights_g: [42] },
		...rest
	});
	const lines = formula?.lines ?? [dough('flour', 1000), dough('water', 600)];
	return { ...made, ingredients, formula: { ...made.formula, lines } };
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
