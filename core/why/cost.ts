import { Decimal } from 'decimal.js';
import { consumedOf_g, lineCosts } from '../cost/cost.ts';
import type { Facts } from '../derive.ts';
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
	const ingredients = new Map(recipe.ingredients.map((each) => [each.id, each]));
	const costs = lineCosts(recipe.formula.lines, (id) => {
		const found = ingredients.get(id);
		if (!found) throw new Error(`ingredient ${id} is not defined`);
		return found;
	});
	const sums = new Map<string, { consumed_g: number; cost: Decimal | null }>();
	recipe.formula.lines.forEach((line, index) => {
		const consumed_g = consumedOf_g(line);
		if (consumed_g <= 0) return;
		const sum = sums.get(line.ingredient) ?? { consumed_g: 0, cost: new Decimal(0) };
		const cost = costs[index] ?? null;
		sums.set(line.ingredient, {
			consumed_g: sum.consumed_g + consumed_g,
			cost: cost === null || sum.cost === null ? null : sum.cost.plus(cost)
		});
	});
	const batch = facts.cost.batch === null ? null : new Decimal(facts.cost.batch);
	return {
		contributions: [...sums]
			.toSorted(([, a], [, b]) => (b.cost ?? new Decimal(Infinity)).cmp(a.cost ?? new Decimal(Infinity)))
			.map(([ingredient, { consumed_g, cost }]) => ({
				ingredient,
				consumed_g,
				cost: cost?.toFixed(4) ?? null,
				share: cost === null || batch === null || batch.isZero() ? null : cost.div(batch).toNumber()
			})),
		batch: facts.cost.batch,
		sellable: facts.yield.sellable,
		perPiece: facts.cost.perPiece,
		pieces: recipe.pack?.pieces ?? null,
		materials: recipe.pack?.materials ?? [],
		perPack: facts.cost.perPack
	};
}
