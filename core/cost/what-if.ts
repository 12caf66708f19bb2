import { ingredientsOf, isDough, type Ingredient, type Line, type Recipe } from '../formula/types.ts';
import { uptakeOf_g } from '../formula/surface.ts';
import { ballsFrom, packsFrom } from '../massflow/balls.ts';
import { batchCost, type Cost } from './cost.ts';
import { Money } from './money.ts';

/** What might be otherwise; what is left as it was changes nothing. */
export interface Supposed {
	/** What each ingredient's price is multiplied by, by its id; 1 where it is not named. */
	priceFactors: Readonly<Record<string, number>>;
	ballWeight_g: number;
	rejects: number;
	packPieces: number;
}

/** What a batch was before anything is supposed. */
export interface Supposable {
	recipe: Recipe;
	doughWeight_g: number;
	pieces: number;
	ballWeight_g: number;
}

/** What a batch would have given and cost. */
export interface SupposedCost {
	recipe: Recipe;
	pieces: number;
	sellable: number;
	packs: number;
	loose: number;
	cost: Cost;
}

/**
 * The cost of a batch if prices, the ball, the rejects or the pack were otherwise (section 11). The dough
 * stays the same; other balls make it other pieces, each with the surface material a piece had. Null where
 * not one piece could be sold.
 */
export function suppose(of: Supposable, supposed: Supposed): SupposedCost | null {
	const pieces =
		supposed.ballWeight_g === of.ballWeight_g
			? of.pieces
			: ballsFrom(of.doughWeight_g, supposed.ballWeight_g);
	const sellable = pieces - supposed.rejects;
	if (!(pieces > 0) || sellable <= 0) return null;
	const perPieces = of.pieces > 0 ? pieces / of.pieces : 1;
	const lines = of.recipe.formula.lines.map((line): Line =>
		isDough(line)
			? line
			: { ...line, used_g: line.used_g * perPieces, uptake_g: uptakeOf_g(line) * perPieces }
	);
	const ingredients = of.recipe.ingredients.map((ingredient) => priced(ingredient, supposed.priceFactors));
	const product = { ...of.recipe.product, packPieces: supposed.packPieces };
	const recipe = { ...of.recipe, ingredients, formula: { ...of.recipe.formula, lines }, product };
	return {
		recipe,
		pieces,
		sellable,
		packs: packsFrom(sellable, supposed.packPieces),
		loose: sellable % supposed.packPieces,
		cost: batchCost(lines, ingredientsOf(recipe), sellable, product)
	};
}

function priced(ingredient: Ingredient, factors: Supposed['priceFactors']): Ingredient {
	const factor = factors[ingredient.id] ?? 1;
	if (!ingredient.price || factor === 1) return ingredient;
	const amount = new Money(ingredient.price.amount).times(factor).toFixed();
	return { ...ingredient, price: { ...ingredient.price, amount } };
}
