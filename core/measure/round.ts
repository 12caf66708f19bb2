/**
 * The value with binary noise removed (12 significant digits), so that a 0.5 that was computed as
 * 0.49999999999999994 compares and rounds as 0.5. Every threshold and every rounding goes through it.
 */
export function settled(value: number): number {
	// Whole numbers carry no noise, and most figures that come here are whole; -0 is 0 either way.
	return Number.isInteger(value) && Math.abs(value) < 1e12 ? value + 0 : Number(value.toPrecision(12));
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
