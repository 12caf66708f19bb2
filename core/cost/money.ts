import { Decimal } from 'decimal.js';

/** Decimals with enough digits that a sum is exact before it is rounded for printing. */
export const Money = Decimal.clone({ precision: 60, rounding: Decimal.ROUND_HALF_UP });

/** The sum of decimal strings, exact. */
export function sumMoney(amounts: readonly (string | Decimal)[]): Decimal {
	return amounts.reduce<Decimal>((sum, amount) => sum.plus(amount), new Money(0));
}

/** Binary sums of a few hundred amounts are off by far less than this share of themselves. */
const NOISE = 1e-12;

/**
 * An amount that was computed in binary, to `places` decimals with halves away from zero; null where it is too large,
 * below zero, or so near to a half that its noise could decide.
 */
export function safelyFixed(amount: number, places: 2 | 4): string | null {
	const units = amount * 10 ** places;
	if (!(units >= 0 && units < 1e10)) return null;
	const whole = Math.floor(units);
	if (Math.abs(units - whole - 0.5) <= Math.max(1, units) * NOISE) return null;
	const text = String(units - whole > 0.5 ? whole + 1 : whole).padStart(places + 1, '0');
	return `${text.slice(0, -places)}.${text.slice(-places)}`;
}

/**
 * Parts rounded to `places` decimals so that they add up to `total`, which is rounded already: what is
 * missing or over goes, a unit each, to those whose rounding was furthest off.
 */
export function apportion(parts: readonly Decimal[], total: Decimal, places: number): Decimal[] {
	const unit = new Money(10).pow(-places);
	const rounded = parts.map((part) => part.toDecimalPlaces(places));
	let off = total.minus(sumMoney(rounded)).div(unit).round().toNumber();
	const step = Math.sign(off);
	const byNeed = parts
		.map((part, index) => ({ index, need: part.minus(rounded[index] ?? 0).times(step) }))
		.sort((a, b) => b.need.cmp(a.need));
	for (let turn = 0; off !== 0 && byNeed.length > 0; turn = (turn + 1) % byNeed.length) {
		const index = byNeed[turn]?.index ?? 0;
		rounded[index] = (rounded[index] ?? new Money(0)).plus(unit.times(step));
		off -= step;
	}
	return rounded;
}
