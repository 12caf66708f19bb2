import type { Kind } from '../composition/kinds.ts';
import type { Ingredient } from './types.ts';

/** The colours mass has in every drawing. */
export const GROUPS = ['flour', 'water', 'fat', 'other'] as const;
export type Group = (typeof GROUPS)[number];

/** Grams of each group; what was water inside an ingredient counts as water. */
export type Makeup = Record<Group, number>;

const GROUP_OF: Partial<Record<Kind, Group>> = {
	flour: 'flour',
	starch: 'flour',
	water: 'water',
	fat: 'fat'
};

/** The group an ingredient's own mass is drawn in, its water aside. */
export const groupOf = (kind: Kind): Group => GROUP_OF[kind] ?? 'other';

/** What masses of ingredients are made of, by group; an unknown water content is taken as none. */
export function makeupOf(
	masses: readonly { ingredient: string; mass_g: number }[],
	ingredientOf: (id: string) => Ingredient
): Makeup {
	const makeup: Makeup = { flour: 0, water: 0, fat: 0, other: 0 };
	for (const { ingredient: id, mass_g } of masses) {
		const ingredient = ingredientOf(id);
		const water_g = (mass_g * (ingredient.per100g.water_g ?? 0)) / 100;
		makeup.water += water_g;
		makeup[groupOf(ingredient.kind)] += mass_g - water_g;
	}
	return makeup;
}

/** The makeup of all groups times a factor. */
export function timesMakeup(makeup: Makeup, factor: number): Makeup {
	return {
		flour: makeup.flour * factor,
		water: makeup.water * factor,
		fat: makeup.fat * factor,
		other: makeup.other * factor
	};
}

/** The makeup with this much water less, never below none. */
export function dried(makeup: Makeup, water_g: number): Makeup {
	return { ...makeup, water: Math.max(0, makeup.water - water_g) };
}

/** Grams of all groups together. */
export function makeupTotal_g(makeup: Makeup): number {
	return makeup.flour + makeup.water + makeup.fat + makeup.other;
}
