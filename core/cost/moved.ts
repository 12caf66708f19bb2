import type { Decimal } from 'decimal.js';
import { ingredientsOf, isDough, type Recipe } from '../formula/types.ts';
import { pricePerUsableGram } from './cost.ts';
import { apportion, Money, sumMoney } from './money.ts';

/** A batch whose cost is compared: as it was made, and how many of its pieces could be sold. */
export interface CostBasis {
	recipe: Recipe;
	sellable: number;
}

/** Parts of how the ingredient cost of a piece moved, decimal strings to 4 places. */
export interface MovedParts {
	/** What the ingredients cost otherwise. */
	price: string;
	/** More or less dough for a piece that can be sold: ball weight, residue, leftover, rejects, the formula. */
	yield: string;
	/** More or less surface material for a piece: dusting, brushing, layering. */
	uptake: string;
}

/** How the ingredient cost of a sellable piece moved from one batch to another. */
export interface Moved extends MovedParts {
	before: string;
	after: string;
	/** After less before; `price`, `yield` and `uptake` add up to it exactly. */
	change: string;
	/** What each ingredient did to it, the largest first; those that did nothing are left out. */
	byIngredient: ({ ingredient: string; name: string; change: string } & MovedParts)[];
}

const PLACES = 4;

/** Grams of an ingredient that a sellable piece took, in the dough and on the surface, and its price. */
interface Taken {
	name: string;
	dough_g: Decimal;
	surface_g: Decimal;
	price: Decimal | null;
}

/**
 * Why the ingredient cost of a sellable piece moved (section 11). Each quantity is weighed at the mean of
 * both prices and each price at the mean of both quantities, so that the parts add up to the change, and
 * going back gives the same parts with the sign turned. What never had a price is left out, as the cost
 * leaves it out; null where something has one only now, or had one only before.
 */
export function costMoved(before: CostBasis, after: CostBasis): Moved | null {
	const [a, b] = [takenOf(before), takenOf(after)];
	if (!a || !b) return null;
	const ids = [...new Set([...a.keys(), ...b.keys()])];
	for (const id of ids) {
		const [then, now] = [a.get(id), b.get(id)];
		if (then && now && (then.price === null) !== (now.price === null)) return null;
	}
	const exact = ids.map((id) => partsOf(a.get(id), b.get(id)));
	const total = (taken: ReadonlyMap<string, Taken>) =>
		sumMoney(
			[...taken.values()].map(({ dough_g, surface_g, price }) => dough_g.plus(surface_g).times(price ?? 0))
		).toDecimalPlaces(PLACES);
	const [from, to] = [total(a), total(b)];
	const change = to.minus(from);
	const [price, ofYield, uptake] = apportion(
		[0, 1, 2].map((part) => sumMoney(exact.map((parts) => parts[part] ?? new Money(0)))),
		change,
		PLACES
	).map((part) => part.toFixed(PLACES));
	return {
		before: from.toFixed(PLACES),
		after: to.toFixed(PLACES),
		change: change.toFixed(PLACES),
		price: price ?? '',
		yield: ofYield ?? '',
		uptake: uptake ?? '',
		byIngredient: ids
			.map((id, index) => {
				const parts = exact[index] ?? [];
				const own = sumMoney(parts).toDecimalPlaces(PLACES);
				const [ofPrice, ofDough, ofSurface] = apportion(parts, own, PLACES).map((part) =>
					part.toFixed(PLACES)
				);
				return {
					ingredient: id,
					name: (b.get(id) ?? a.get(id))?.name ?? id,
					change: own.toFixed(PLACES),
					price: ofPrice ?? '',
					yield: ofDough ?? '',
					uptake: ofSurface ?? ''
				};
			})
			.filter((each) => !new Money(each.change).isZero())
			.sort((x, y) => new Money(y.change).abs().cmp(new Money(x.change).abs()))
	};
}

/** By ingredient; null where nothing could be sold. */
function takenOf({ recipe, sellable }: CostBasis): Map<string, Taken> | null {
	if (sellable <= 0) return null;
	const ingredientOf = ingredientsOf(recipe);
	const taken = new Map<string, Taken>();
	for (const line of recipe.formula.lines) {
		const used = line.used_g;
		if (used <= 0) continue;
		const ingredient = ingredientOf(line.ingredient);
		const sum = taken.get(line.ingredient) ?? {
			name: ingredient.name,
			dough_g: new Money(0),
			surface_g: new Money(0),
			price: ingredient.price ? pricePerUsableGram(ingredient.price) : null
		};
		const grams = new Money(used).div(sellable);
		if (isDough(line)) sum.dough_g = sum.dough_g.plus(grams);
		else sum.surface_g = sum.surface_g.plus(grams);
		taken.set(line.ingredient, sum);
	}
	return taken;
}

/** Price, yield and uptake of one ingredient; one used only before or only after has one price. */
function partsOf(a: Taken | undefined, b: Taken | undefined): [Decimal, Decimal, Decimal] {
	const zero = new Money(0);
	const priceA = a?.price ?? b?.price ?? zero;
	const priceB = b?.price ?? a?.price ?? zero;
	const of = (taken: Taken | undefined, key: 'dough_g' | 'surface_g') => taken?.[key] ?? zero;
	const mean = (x: Decimal, y: Decimal) => x.plus(y).div(2);
	const all = (taken: Taken | undefined) => of(taken, 'dough_g').plus(of(taken, 'surface_g'));
	const price = mean(priceA, priceB);
	return [
		priceB.minus(priceA).times(mean(all(a), all(b))),
		of(b, 'dough_g').minus(of(a, 'dough_g')).times(price),
		of(b, 'surface_g').minus(of(a, 'surface_g')).times(price)
	];
}
