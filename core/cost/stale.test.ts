import { expect, it } from 'vitest';
import { isStalePrice, PRICE_GOOD_DAYS } from './stale.ts';

it.each([
	// From 1 January to 1 April 2026 are 31 + 28 + 31 = 90 days.
	['2026-01-01', '2026-04-01', false],
	['2026-01-01', '2026-04-02', true],
	['2026-04-02', '2026-04-02', false],
	// A price noted for a day to come is not old.
	['2026-05-01', '2026-04-02', false]
])(`a price of %s on %s is too old after ${PRICE_GOOD_DAYS} days: %s`, (boughtOn, today, stale) => {
	expect(isStalePrice(boughtOn, today)).toBe(stale);
});
