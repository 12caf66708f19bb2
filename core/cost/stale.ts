/** A price older than this many days no longer says what the ingredient costs. */
export const PRICE_GOOD_DAYS = 90;

/** Whether a price of a day is too old to go by on another; both are calendar days, `2026-03-14`. */
export function isStalePrice(boughtOn: string, today: string): boolean {
	return (Date.parse(today) - Date.parse(boughtOn)) / 86_400_000 > PRICE_GOOD_DAYS;
}
