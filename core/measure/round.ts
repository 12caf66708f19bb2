/** Powers of ten that binary numbers hold exactly. */
const TENS = Array.from({ length: 23 }, (_, power) => Number(`1e${power}`));
const DIGITS = 12;
/** What twelve digits may be off by when they are brought before the point: 1e12 times half a unit in the last place. */
const TIE = 0.001;

/**
 * The value with binary noise removed (12 significant digits), so that a 0.5 that was computed as
 * 0.49999999999999994 compares and rounds as 0.5. Every threshold and every rounding goes through it.
 */
export function settled(value: number): number {
	// Whole numbers carry no noise, and most figures that come here are whole; -0 is 0 either way.
	if (Number.isInteger(value) && Math.abs(value) < 1e12) return value + 0;
	const size = Math.abs(value);
	if (!(size >= 1e-6 && size < 1e11)) return byText(value);
	const scale = TENS[DIGITS - digitsBefore(size)] ?? 1;
	const digits = size * scale;
	const whole = Math.round(digits);
	// A half within what the product may be off by is told by the text alone.
	if (Math.abs(Math.abs(digits - whole) - 0.5) < TIE) return byText(value);
	// Both are exact, so their quotient is the binary number nearest to the decimal one.
	return value < 0 ? -(whole / scale) : whole / scale;
}

const byText = (value: number): number => Number(value.toPrecision(DIGITS));

/** Digits before the point; of less than 0.1, how many zeros follow it, below zero. */
function digitsBefore(size: number): number {
	let count = size >= 1 ? 1 : 0;
	if (size >= 1) while (size >= (TENS[count] ?? Infinity)) count++;
	else while (size * (TENS[1 - count] ?? Infinity) < 1) count--;
	return count;
}

/** The value to the nearest multiple of `step`, half away from zero. */
export function roundTo(value: number, step: number): number {
	const steps = settled(settled(value) / step);
	const whole = Math.sign(steps) * Math.floor(Math.abs(steps) + 0.5);
	// The product of a whole number and 0.1 is noisy again; 0 must not become -0.
	return settled(whole * step) + 0;
}

/** The arithmetic mean, or null of an empty list. */
export function mean(values: readonly number[]): number | null {
	if (values.length === 0) return null;
	return values.reduce((sum, value) => sum + value, 0) / values.length;
}

/** The sum of what `amount` gives for each item. */
export function sumOf<T>(items: readonly T[], amount: (item: T) => number): number {
	return items.reduce((sum, item) => sum + amount(item), 0);
}
