import { describe, expect, it } from 'vitest';
import type { Ingredient } from '../formula/types.ts';
import { per100g } from '../testing/recipe.ts';
import { rawNutrients, timesAmounts } from './perPiece.ts';

const SHELF: Record<string, Partial<Ingredient>> = {
	flour: { per100g: per100g({ energy_kcal: 360, protein_g: 12 }) },
	oil: { per100g: per100g({ energy_kcal: 884 }) },
	seed: { per100g: per100g({ energy_kcal: 573, protein_g: null }) }
};
const ingredientOf = (id: string) => SHELF[id] as Ingredient;
const nutrients = (shares: [string, number][]) =>
	rawNutrients(
		shares.map(([ingredient, mass_g]) => ({ ingredient, mass_g })),
		ingredientOf
	);

describe('nutrients of a piece before it is cooked', () => {
	it('are each share times what 100 g hold', () => {
		const { amounts, incomplete } = nutrients([
			['flour', 40],
			['oil', 5]
		]);
		// 40 · 360 / 100 + 5 · 884 / 100 = 144 + 44.2
		expect(amounts.energy_kcal).toBeCloseTo(188.2, 9);
		// 40 · 12 / 100
		expect(amounts.protein_g).toBeCloseTo(4.8, 9);
		expect(incomplete).toEqual([]);
	});

	it('are unknown where one ingredient lacks them, and name it', () => {
		const { amounts, incomplete } = nutrients([
			['flour', 40],
			['seed', 2],
			['seed', 1]
		]);
		expect(amounts.protein_g).toBeNull();
		// 144 + 3 · 573 / 100
		expect(amounts.energy_kcal).toBeCloseTo(161.19, 9);
		expect(incomplete).toEqual([{ nutrient: 'protein_g', ingredients: ['seed'] }]);
	});

	it('are not unknown for what has no mass', () => {
		expect(
			nutrients([
				['flour', 40],
				['seed', 0]
			]).amounts.protein_g
		).toBeCloseTo(4.8, 9);
	});

	it('times a factor stay unknown where they are', () => {
		const { amounts } = nutrients([['seed', 10]]);
		const twice = timesAmounts(amounts, 2);
		// 10 · 573 / 100 · 2
		expect(twice.energy_kcal).toBeCloseTo(114.6, 9);
		expect(twice.protein_g).toBeNull();
	});
});
