import { Decimal } from 'decimal.js';
import { pricePerUsableGram } from '../cost/cost.ts';
import type { Price } from '../formula/types.ts';

/** What came from a lot, and what was paid for that lot; without a price the one in force counts. */
export interface PricedDraw {
	grams: number;
	price: Price | null;
}

const DECIMALS = 10;

/**
 * The price that makes what a batch consumed of an ingredient cost what its lots cost (section 11): each
 * lot's grams at what that lot cost, what no lot or no price covers at the price in force. Null
 * where neither is known of a part of it.
 */
export function priceDrawn(
	draws: readonly PricedDraw[],
	consumed_g: number,
	inForce: Price | null
): Price | null {
	const drawn_g = draws.reduce((sum, draw) => sum.plus(draw.grams), new Decimal(0));
	const rest_g = new Decimal(consumed_g).minus(drawn_g);
	const parts: PricedDraw[] = [
		...draws.map(({ grams, price }) => ({ grams, price: price ?? inForce })),
		...(rest_g.greaterThan(0) ? [{ grams: rest_g.toNumber(), price: inForce }] : [])
	].filter((part) => part.grams > 0);
	const [first] = parts;
	if (!first) return inForce;
	// One price needs no mixing, and stays as it was paid.
	if (parts.every((part) => same(part.price, first.price))) return first.price;
	let amount = new Decimal(0);
	let grams = new Decimal(0);
	for (const part of parts) {
		if (!part.price) return null;
		amount = amount.plus(pricePerUsableGram(part.price).times(part.grams));
		grams = grams.plus(part.grams);
	}
	return { amount: amount.toDecimalPlaces(DECIMALS).toFixed(), grams: grams.toNumber(), usable: 1 };
}

function same(a: Price | null, b: Price | null): boolean {
	if (!a || !b) return a === b;
	return pricePerUsableGram(a).equals(pricePerUsableGram(b));
}
