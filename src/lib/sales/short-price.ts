import { Decimal } from 'decimal.js';

/** What a short pack costs: its pieces' share of a full one, to the cent. */
export function shortPrice(price: string, pieces: number, packPieces: number): string {
	return new Decimal(price).times(pieces).div(packPieces).toFixed(2, Decimal.ROUND_HALF_UP);
}
