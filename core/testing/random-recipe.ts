import { NUTRIENTS, type Nutrient } from '../composition/nutrients.ts';
import type { Ingredient, Line, Recipe, RulesName } from '../formula/types.ts';
import { dough, ingredient, per100g, recipe, surface } from './recipe.ts';

/** Numbers from 0 up to 1, the same for the same seed. */
export function chances(seed: number): () => number {
	let state = seed >>> 0;
	return () => {
		// Mulberry32: good enough for what a test makes up.
		state = (state + 0x6d2b79f5) >>> 0;
		let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
		mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
		return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
	};
}

/** About as much of each nutrient as such a thing holds. */
const TYPICAL: Record<'flour' | 'fat' | 'salt' | 'seed' | 'dairy', Partial<Record<Nutrient, number>>> = {
	flour: {
		water_g: 12,
		protein_g: 12,
		fat_g: 1.7,
		saturates_g: 0.3,
		carbohydrate_g: 72,
		fibre_g: 3,
		sugars_g: 0.5,
		sodium_mg: 2,
		calcium_mg: 15,
		iron_mg: 4,
		potassium_mg: 110
	},
	fat: { fat_g: 99.8, saturates_g: 14 },
	salt: { sodium_mg: 38758, calcium_mg: 24 },
	seed: {
		water_g: 5,
		protein_g: 18,
		fat_g: 50,
		saturates_g: 7,
		carbohydrate_g: 23,
		fibre_g: 12,
		sugars_g: 0.3,
		sodium_mg: 11,
		calcium_mg: 975,
		iron_mg: 15,
		potassium_mg: 468
	},
	dairy: {
		water_g: 85,
		protein_g: 4,
		fat_g: 3.5,
		saturates_g: 2,
		cholesterol_mg: 13,
		carbohydrate_g: 5.5,
		sugars_g: 4.4,
		sodium_mg: 46,
		calcium_mg: 121,
		potassium_mg: 155,
		vitaminD_ug: 1
	}
};

/** A flatbread somebody might make, with its batch measured: the same for the same seed. */
export function randomRecipe(seed: number): Recipe {
	const chance = chances(seed);
	const between = (low: number, high: number) => low + (high - low) * chance();
	const made = (kind: keyof typeof TYPICAL, id: string): Ingredient => {
		const values = NUTRIENTS.map((nutrient): [Nutrient, number] => {
			const value = (TYPICAL[kind][nutrient] ?? 0) * between(0.9, 1.1);
			return [nutrient, nutrient === 'fat_g' ? Math.min(100, value) : value];
		});
		return ingredient(id, { kind, per100g: per100g(Object.fromEntries(values)) });
	};
	const ingredients = [
		made('flour', 'flour'),
		made('fat', 'oil'),
		made('salt', 'salt'),
		made('seed', 'seeds'),
		made('dairy', 'milk'),
		ingredient('water', { kind: 'water', per100g: per100g({ water_g: 100 }) })
	];
	const lines: Line[] = [
		dough('flour', between(800, 1200)),
		dough('water', between(350, 500)),
		dough('milk', between(0, 150)),
		dough('oil', between(20, 120)),
		dough('salt', between(8, 24)),
		surface('flour', 'dusting', between(20, 80), chance() < 0.5 ? null : between(5, 20)),
		surface('seeds', 'garnish', between(0, 40))
	];
	const ball = between(40, 70);
	const around = (middle: number, count: number) =>
		Array.from({ length: count }, () => middle * between(0.98, 1.02));
	const rules: RulesName = chance() < 0.5 ? 'us' : 'eu';
	return recipe({
		rules,
		ingredients,
		formula: { name: `Random ${seed}`, lines },
		piece: { one: 'roti', many: 'roti', category: 'flatbread', ballWeight_g: ball },
		batch: {
			ballWeights_g: around(ball, 8),
			finishedWeights_g: around(ball * between(0.8, 0.9), 8)
		},
		pack: { pieces: 6 }
	});
}
