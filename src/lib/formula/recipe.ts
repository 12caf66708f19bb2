import type { Facts } from '$core/facts.ts';
import {
	NOT_MEASURED,
	type Ingredient,
	type Line,
	type MixGap,
	type Product as CoreProduct,
	type Recipe,
	type RulesName
} from '$core/formula/types.ts';
import type { Outcome } from '$core/problem.ts';
import { derivePlan } from '$core/plan.ts';
import type { Product } from './product.ts';
import type { Formula } from './types.ts';

/** What a formula and its product say, for putting a recipe together on server and page alike. */
export interface RecipeParts {
	rules: RulesName;
	currency: string;
	name: string;
	lines: readonly Line[];
	mixGap: MixGap;
	/** Of the whole shelf; the recipe takes those the lines use. */
	ingredients: readonly Ingredient[];
	product: CoreProduct;
}

/** A product as the core takes it. */
export function coreProduct(product: Product): CoreProduct {
	return {
		one: product.pieceOne,
		many: product.pieceMany,
		category: product.category,
		ballWeight_g: product.ballWeight_g,
		balls: null,
		packPieces: product.packPieces,
		materials: product.materials,
		servingPieces: product.servingPieces
	};
}

/** The same of a formula that was kept, made as one of its products. */
export const partsOfFormula = (
	{ rules, currency }: Pick<RecipeParts, 'rules' | 'currency'>,
	{ name, lines, mixGap }: Pick<Formula, 'name' | 'lines' | 'mixGap'>,
	product: Product,
	ingredients: readonly Ingredient[]
): RecipeParts => ({ rules, currency, name, lines, mixGap, ingredients, product: coreProduct(product) });

/** The recipe of a formula made as a product, nothing measured of it yet. */
export function recipeOf({ name, lines, mixGap, ingredients, ...rest }: RecipeParts): Recipe {
	const used = new Set(lines.map((line) => line.ingredient));
	return {
		...rest,
		ingredients: ingredients.filter((ingredient) => used.has(ingredient.id)),
		formula: { name, lines: lines.map(coreLine), mixGap },
		measured: NOT_MEASURED
	};
}

/** A line without its words, as the core takes it. */
export const coreLine = ({ ingredient, use, stage, used_g, uptake_g }: Line): Line => ({
	ingredient,
	use,
	stage,
	used_g,
	uptake_g
});

/** Facts of a formula made as a product, with the cook loss its kitchen has seen. */
export function planFacts(parts: RecipeParts, cookLoss: number | null): Outcome<Facts> {
	return derivePlan(recipeOf(parts), cookLoss);
}
