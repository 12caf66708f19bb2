import type { Facts } from '../facts.ts';
import { ingredientsOf, isDough, type Recipe } from '../formula/types.ts';
import { massInput } from '../massflow/input.ts';
import { massFlow } from '../massflow/massflow.ts';
import { pieceShares } from '../nutrition/shares.ts';
import type { Figure, FigureColumn } from '../rules/figure.ts';
import { rulesOf } from '../rules/index.ts';

/** What one ingredient gives to a figure of one piece. */
export interface Contribution {
	ingredient: string;
	/** Grams of it in one piece from the dough, before cooking. */
	dough_g: number;
	/** Grams of it on one piece: uptake. */
	surface_g: number;
	/** Of the figure in 100 g of it; null is unknown. */
	per100g: number | null;
	/** What it gives one piece; null is unknown. */
	amount: number | null;
	/** Of the whole; null where the whole is unknown or nothing. */
	share: number | null;
}

/** How a figure on the panel or table came about. */
export interface NutrientDerivation {
	figure: Figure;
	/** Most first; unknown ones at the top, for they are what is to be mended. */
	contributions: Contribution[];
	perPiece: number | null;
	/** Each column it prints in: what it is multiplied by, the unrounded figure, and what prints. */
	columns: (FigureColumn & { amount: number | null })[];
}

/**
 * Where a figure comes from; null where the recipe derives nothing to print. Throws a RangeError for a
 * figure that the recipe's rule set does not have.
 */
export function whyNutrient(recipe: Recipe, facts: Facts, key: string): NutrientDerivation | null {
	const rules = rulesOf(recipe.rules);
	const figure = rules.figures.find((each) => each.key === key);
	if (!figure) throw new RangeError(`${key} is no figure of the ${recipe.rules} rules`);
	const { flow } = massFlow(massInput(recipe));
	const columns = rules.columnsOf(facts, recipe.product, key);
	if (!flow || !columns) return null;

	const shares = pieceShares(recipe.formula.lines, flow, recipe.formula.mixGap);
	const ingredientOf = ingredientsOf(recipe);
	const byIngredient = new Map<string, { dough_g: number; surface_g: number }>();
	recipe.formula.lines.forEach((line, index) => {
		const mass_g = shares[index]?.mass_g ?? 0;
		if (mass_g <= 0) return;
		const sum = byIngredient.get(line.ingredient) ?? { dough_g: 0, surface_g: 0 };
		byIngredient.set(line.ingredient, sum);
		if (isDough(line)) sum.dough_g += mass_g;
		else sum.surface_g += mass_g;
	});
	const given = [...byIngredient].map(([ingredient, { dough_g, surface_g }]) => {
		const per100g = figure.of(ingredientOf(ingredient).per100g);
		const amount = per100g === null ? null : ((dough_g + surface_g) * per100g) / 100;
		return { ingredient, dough_g, surface_g, per100g, amount };
	});
	const perPiece = given.some(({ amount }) => amount === null)
		? null
		: given.reduce((sum, { amount }) => sum + (amount ?? 0), 0);
	return {
		figure,
		contributions: given
			.map((each) => ({
				...each,
				share: !perPiece || each.amount === null ? null : each.amount / perPiece
			}))
			.toSorted((a, b) => (b.amount ?? Infinity) - (a.amount ?? Infinity)),
		perPiece,
		columns: columns.map((column) => ({
			...column,
			amount: perPiece === null ? null : perPiece * column.times
		}))
	};
}
