import { settled } from '../measure/round.ts';
import { printedNumber } from '../rules/tolerance.ts';

/** What a printed figure says: one number, or that it is below one. */
export interface PrintedAmount {
	low: number;
	high: number;
}

/** The amount that a printed figure says: `less than 5mg` is more than nothing and at most 5. */
export function readPrinted(printed: string): PrintedAmount {
	const number = printedNumber(printed);
	return /less than|</.test(printed) ? { low: 0, high: number } : { low: number, high: number };
}

/** Halvings after which a bound is as near as binary numbers tell. */
const HALVINGS = 200;
/** No figure of a piece is larger. */
const MOST = 1e9;

/** The largest amount that still prints as at most so much; below zero where nothing does. */
export function mostThatPrints(print: (amount: number) => string, atMost: number): number {
	const fits = (amount: number) => settled(readPrinted(print(amount)).high) <= settled(atMost);
	if (!fits(0)) return -1;
	return between(fits);
}

/** The smallest amount that prints as at least so much. */
export function leastThatPrints(print: (amount: number) => string, atLeast: number): number {
	const isLess = (amount: number) => settled(readPrinted(print(amount)).low) < settled(atLeast);
	if (!isLess(0)) return 0;
	const most = between(isLess);
	// The next number that is told apart from it prints as more.
	let next = most + Math.max(most, 1e-6) * 1e-12;
	while (isLess(next)) next += Math.max(most, 1e-6) * 1e-12;
	return next;
}

/** The largest amount of which something holds that holds of every smaller one. */
function between(holds: (amount: number) => boolean): number {
	if (holds(MOST)) return MOST;
	let [low, high] = [0, 1];
	while (holds(high)) [low, high] = [high, high * 2];
	for (let halving = 0; halving < HALVINGS; halving++) {
		const middle = (low + high) / 2;
		if (middle <= low || middle >= high) break;
		if (holds(middle)) low = middle;
		else high = middle;
	}
	return low;
}
