import type { Decimal } from 'decimal.js';
import type { Ingredient, Line, Price, Product, Recipe } from '../formula/types.ts';
import { Money, safelyFixed, sumMoney } from './money.ts';

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
 * The same figures by binary numbers, which takes a hundredth of the time; null where one of them is so near to a half
 * of its last place that only exact decimals tell which way it goes.
 */
function quickCost(
	used: readonly Line[],
	ingredientOf: (id: string) => Ingredient,
	sellable: number,
	{ packPieces, materials }: Pick<Product, 'packPieces' | 'materials'>
): Omit<Cost, 'unpriced'> | null {
	let batch = 0;
	for (const line of used) {
		const { price } = ingredientOf(line.ingredient);
		if (price) batch += (Number(price.amount) / (price.grams * price.usable)) * line.used_g;
	}
	const bag = materials.reduce((sum, material) => sum + Number(material.cost), 0);
	const perPiece = sellable > 0 ? batch / sellable : null;
	const texts = {
		batch: safelyFixed(batch, 4),
		perPiece: perPiece === null ? '' : safelyFixed(perPiece, 4),
		perPack: perPiece === null || packPieces === null ? '' : safelyFixed(perPiece * packPieces + bag, 2)
	};
	if (texts.batch === null || texts.perPiece === null || texts.perPack === null) return null;
	return { batch: texts.batch, perPiece: texts.perPiece || null, perPack: texts.perPack || null };
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
	const free = used.filter((line) => !ingredientOf(line.ingredient).price);
	const unpriced = free.length > 0 ? [...new Set(free.map((line) => line.ingredient))].sort() : [];
	if (free.length === used.length) return { batch: null, perPiece: null, perPack: null, unpriced };
	const quick = quickCost(used, ingredientOf, sellable, { packPieces, materials });
	if (quick) return { ...quick, unpriced };
	const batch = sumMoney(lineCosts(used, ingredientOf).map((cost) => cost ?? '0'));
	const perPiece = sellable > 0 ? batch.div(sellable) : null;
	const bag = sumMoney(materials.map((material) => material.cost));
	return {
		batch: batch.toFixed(4),
		perPiece: perPiece?.toFixed(4) ?? null,
		perPack: packPieces !== null && perPiece ? perPiece.times(packPieces).plus(bag).toFixed(2) : null,
		unpriced
	};
}
