import type { Recipe } from '../formula/types.ts';
import { groupOf, type Group } from '../formula/makeup.ts';
import { ingredientCosts } from './cost.ts';
import { apportion, Money, sumMoney } from './money.ts';
import type { CostPart, WholeCost } from './whole.ts';

/** What a stretch of a pack's price pays for. */
export type Payee = Exclude<CostPart, 'ingredients'> | Group | 'fee' | 'left';

/** A stretch of a pack's price; the stretches add up to it, or to the cost where that is more. */
export interface Stretch {
	/** The ingredient's id, or the payee. */
	key: string;
	name: string;
	payee: Payee;
	/** To the cent; `left` below zero is what each pack loses. */
	amount: string;
}

/**
 * Where the money of a pack goes: each ingredient, the dearest first, then materials, energy, labour, what
 * the place takes, and what is left of the price. Exact to the cent. Without a price nothing is left over.
 * Null while nothing is known of the cost of a pack.
 */
export function whereItGoes(
	recipe: Recipe,
	whole: WholeCost,
	price: string | null,
	feeShare: number
): Stretch[] | null {
	if (whole.perPack === null) return null;
	const priced = ingredientCosts(recipe).flatMap(({ ingredient, cost }) =>
		cost ? [{ ingredient, cost }] : []
	);
	const all = sumMoney(priced.map(({ cost }) => cost));
	const perPack = new Money(whole.parts.find(({ part }) => part === 'ingredients')?.perPack ?? '0');
	const shares = apportion(
		priced.map(({ cost }) => (all.isZero() ? new Money(0) : cost.times(perPack).div(all))),
		perPack,
		2
	);
	const stretches: Stretch[] = priced.map(({ ingredient: { id, name, kind } }, index) => ({
		key: id,
		name,
		payee: groupOf(kind),
		amount: (shares[index] ?? new Money(0)).toFixed(2)
	}));
	for (const { part, perPack: amount } of whole.parts)
		if (part !== 'ingredients' && amount !== null)
			stretches.push({ key: part, name: part, payee: part, amount });
	if (price === null) return stretches;
	const fee = new Money(price).times(feeShare).toDecimalPlaces(2);
	if (!fee.isZero()) stretches.push({ key: 'fee', name: 'fee', payee: 'fee', amount: fee.toFixed(2) });
	const left = new Money(price).minus(whole.perPack).minus(fee);
	stretches.push({ key: 'left', name: 'left', payee: 'left', amount: left.toFixed(2) });
	return stretches;
}
