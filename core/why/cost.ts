import { Decimal } from 'decimal.js';
import { ingredientCosts } from '../cost/cost.ts';
import type { Facts } from '../facts.ts';
import type { Recipe } from '../formula/types.ts';

/** What one ingredient costs the batch. */
export interface CostShare {
	ingredient: string;
	/** Used up in the batch, what is swept away included. */
	consumed_g: number;
	/** To four places; null without a price. */
	cost: string | null;
	share: number | null;
}

/** How the cost of a pack came about. */
export interface CostDerivation {
	contributions: CostShare[];
	batch: string | null;
	sellable: number;
	perPiece: string | null;
	/** Pieces in a pack times the cost of one; null without a pack. */
	pieces: number | null;
	materials: { name: string; cost: string }[];
	perPack: string | null;
}

/** What each ingredient costs the batch, dearest first, and how that becomes a pack (section 11). */
export function whyCost(recipe: Recipe, facts: Facts): CostDerivation {
	const batch = facts.cost.batch === null ? null : new Decimal(facts.cost.batch);
	return {
		contributions: ingredientCosts(recipe).map(({ ingredient, consumed_g, cost }) => ({
			ingredient: ingredient.id,
			consumed_g,
			cost: cost?.toFixed(4) ?? null,
			share: cost === null || batch === null || batch.isZero() ? null : cost.div(batch).toNumber()
		})),
		batch: facts.cost.batch,
		sellable: facts.yield.sellable,
		perPiece: facts.cost.perPiece,
		pieces: recipe.product.packPieces,
		materials: recipe.product.materials,
		perPack: facts.cost.perPack
	};
}
