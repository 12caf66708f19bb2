import { Decimal } from 'decimal.js';

/** What a short pack costs: its pieces' share of a full one, to the cent. */
export function shortPrice(price: string, pieces: number, packPieces: number): string {
	return new Decimal(price).times(pieces).div(packPieces).toFixed(2, Decimal.ROUND_HALF_UP);
}

/** Short packs that are left of those made, once those that are gone are gone: each is known by its pieces. */
export function remaining(made: readonly number[], gone: readonly number[]): number[] {
	const left = [...made];
	for (const pieces of gone) {
		const at = left.indexOf(pieces);
		if (at >= 0) left.splice(at, 1);
	}
	return left;
}
