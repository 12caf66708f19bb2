import { Decimal } from 'decimal.js';
import { Money } from './money.ts';

/** What selling at a place costs: a sum for each day, and a share of what is sold, 0 to 1. */
export interface Fee {
	perDay: string;
	share: number;
}

export const NO_FEE: Fee = { perDay: '0', share: 0 };

/** (price − cost) / price, with the share a place takes counted as cost (section 11); null without a price. */
export function marginOf(price: string, costPerPack: string, feeShare = 0): number | null {
	const asked = new Money(price);
	if (asked.lessThanOrEqualTo(0)) return null;
	return asked.minus(costPerPack).minus(asked.times(feeShare)).div(asked).toNumber();
}

/** The least price, up to the cent, that keeps a margin; null where no price does. */
export function priceForMargin(costPerPack: string, margin: number, feeShare = 0): string | null {
	const kept = new Money(1).minus(margin).minus(feeShare);
	if (kept.lessThanOrEqualTo(0)) return null;
	return new Money(costPerPack).div(kept).toDecimalPlaces(2, Decimal.ROUND_CEIL).toFixed(2);
}

/**
 * Packs that pay for a selling day: what the day costs however many are sold, over what one pack leaves
 * after its own cost and the share the place takes. Null where a pack leaves nothing.
 */
export function breakEvenPacks(
	price: string,
	costPerPack: string,
	fixedPerDay: string,
	feeShare = 0
): number | null {
	const leaves = new Money(price).times(new Money(1).minus(feeShare)).minus(costPerPack);
	if (leaves.lessThanOrEqualTo(0)) return null;
	return new Money(fixedPerDay).div(leaves).toDecimalPlaces(0, Decimal.ROUND_CEIL).toNumber();
}
