import type { Composition } from '../composition/nutrients.ts';
import { derive } from '../derive.ts';
import type { Facts } from '../facts.ts';
import { roundTo } from '../measure/round.ts';
import type { Ingredient, Recipe } from '../formula/types.ts';
import type { Outcome } from '../problem.ts';
import { allergensMoved, type AllergensMoved } from './moved.ts';

/** What stays the same where one ingredient takes the place of another. */
export const SWAPS = ['mass', 'fat', 'water'] as const;
export type SwapBy = (typeof SWAPS)[number];

/** A formula with one ingredient in the place of another. */
export interface Swapped extends AllergensMoved {
	recipe: Recipe;
	grams: number;
	facts: Facts;
	/** Nobody has confirmed what allergens the new ingredient holds. */
	isUnconfirmed: boolean;
}

/**
 * A line with another ingredient, at equal mass, equal fat or equal water, on the scale’s step (section 18); every other
 * line stays. Problems where that ingredient holds none of it, or it is not known how much.
 */
export function swapped(
	recipe: Recipe,
	line: number,
	by: Ingredient,
	keep: SwapBy,
	step_g: number
): Outcome<Swapped> {
	const of = recipe.formula.lines[line];
	const now = recipe.ingredients.find(({ id }) => id === of?.ingredient);
	if (!of || !now) return fail('this line is not in the formula');
	const grams = gramsFor(of.used_g, now, by, keep);
	if (!grams.ok) return grams;
	const used_g = roundTo(grams.value, step_g);
	if (used_g <= 0) return fail(`that would be less than the scale’s step of ${step_g} g of ${by.name}`);
	const lines = recipe.formula.lines.map((each, at) =>
		at === line
			? {
					...each,
					ingredient: by.id,
					used_g,
					uptake_g:
						each.uptake_g === null || each.used_g === 0 ? null : (each.uptake_g / each.used_g) * used_g
				}
			: each
	);
	const ingredients = recipe.ingredients.some(({ id }) => id === by.id)
		? recipe.ingredients
		: [...recipe.ingredients, by];
	const next: Recipe = { ...recipe, ingredients, formula: { ...recipe.formula, lines } };
	const [before, after] = [derive(recipe), derive(next)];
	if (!before.ok) return before;
	if (!after.ok) return after;
	return {
		ok: true,
		value: {
			recipe: next,
			grams: used_g,
			facts: after.value,
			...allergensMoved(before.value, after.value),
			isUnconfirmed: by.allergens === null
		}
	};
}

const VALUE: Record<Exclude<SwapBy, 'mass'>, keyof Composition> = { fat: 'fat_g', water: 'water_g' };

function gramsFor(used_g: number, now: Ingredient, by: Ingredient, keep: SwapBy): Outcome<number> {
	if (keep === 'mass') return { ok: true, value: used_g };
	const [held, holds] = [now, by].map(({ per100g }) => per100g[VALUE[keep]]);
	if (held == null) return fail(`how much ${keep} ${now.name} holds is not known`);
	if (holds == null) return fail(`how much ${keep} ${by.name} holds is not known`);
	if (held === 0) return fail(`${now.name} holds no ${keep}`);
	if (holds === 0) return fail(`${by.name} holds no ${keep}`);
	return { ok: true, value: (used_g * held) / holds };
}

const fail = (message: string): { ok: false; problems: { path: string; message: string }[] } => ({
	ok: false,
	problems: [{ path: '', message }]
});
