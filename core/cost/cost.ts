import type { Decimal } from 'decimal.js';
import type { Ingredient, Line, Price, Product, Recipe } from '../formula/types.ts';
import { Money, sumMoney } from './money.ts';

/** What a batch cost, as decimal strings in the file's currency; null when nothing can be said. */
export interface Cost {
	batch: string | null;
	perPiece: string | null;
	perPack: string | null;
	/** Ids of ingredients used without a price, alphabetically: the figures leave them out. */
	unpriced: string[];
}

/** Price of one usable gram: pack price ÷ (pack grams × usable share) (section 11). */
export function pricePerUsableGram(price: Price): Decimal {
	return new Money(price.amount).div(new Money(price.grams).times(price.usable));
}

/** Cost of each line, in line order; null where its ingredient has no price. */
export function lineCosts(
	lines: readonly Line[],
	ingredientOf: (id: string) => Ingredient
): (Decimal | null)[] {
	return lines.map((line) => {
		const price = ingredientOf(line.ingredient).price;
		return price ? pricePerUsableGram(price).times(line.used_g) : null;
	});
}

/** What one ingredient of a batch cost, all its lines together. */
export interface IngredientCost {
	ingredient: Ingredient;
	/** Used up in the batch, what is swept away included. */
	consumed_g: number;
	/** Null without a price. */
	cost: Decimal | null;
}

/** What each ingredient that was used cost the batch: those without a price first, then the dearest. */
export function ingredientCosts({ ingredients, formula }: Recipe): IngredientCost[] {
	return ingredients
		.map((ingredient): IngredientCost => {
			const lines = formula.lines.filter((line) => line.ingredient === ingredient.id);
			const consumed_g = lines.reduce((sum, line) => sum + line.used_g, 0);
			const costs = lineCosts(lines, () => ingredient).map((cost) => cost ?? new Money(0));
			return { ingredient, consumed_g, cost: ingredient.price ? sumMoney(costs) : null };
		})
		.filter(({ consumed_g }) => consumed_g > 0)
		.sort((a, b) => (b.cost ?? new Money(Infinity)).cmp(a.cost ?? new Money(Infinity)));
}

/**
 * Ingredient cost of a batch, of one sellable piece and of one pack with its materials (section 11).
 * Rejects and residue are paid for by what can be sold.
 */
export function batchCost(
	lines: readonly Line[],
	ingredientOf: (id: string) => Ingredient,
	sellable: number,
	{ packPieces, materials }: Pick<Product, 'packPieces' | 'materials'>
): Cost {
	const used = lines.filter((line) => line.used_g > 0);
	const unpriced = [...new Set(used.map((line) => line.ingredient))]
		.filter((id) => !ingredientOf(id).price)
		.sort();
	const priced = lineCosts(used, ingredientOf).filter((cost) => cost !== null);
	if (priced.length === 0) return { batch: null, perPiece: null, perPack: null, unpriced };
	const batch = priced.reduce((sum, cost) => sum.plus(cost), new Money(0));
	const perPiece = sellable > 0 ? batch.div(sellable) : null;
	const bag = sumMoney(materials.map((material) => material.cost));
	return {
		batch: batch.toFixed(4),
		perPiece: perPiece?.toFixed(4) ?? null,
		perPack: packPieces !== null && perPiece ? perPiece.times(packPieces).plus(bag).toFixed(2) : null,
		unpriced
	};
}
