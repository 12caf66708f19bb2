import { settled } from '../../measure/round.ts';
import { NO_BOUNDS, printedNumber, type Bounds } from '../tolerance.ts';
import { calories, panelLine, type PanelKey } from './panel.ts';

/** Class II of 21 CFR 101.9(g): what is wanted, and may not be found short; the others may not be found over. */
const AT_LEAST = ['totalCarbohydrate', 'dietaryFiber', 'protein', 'vitaminD', 'calcium', 'iron', 'potassium'];
/** Share of the declared that has to be found of what occurs naturally (g)(4)(ii), and of what was added (g)(4)(i). */
const NATURAL_SHARE = 0.8;
const ADDED_SHARE = 1;
/** Share of the declared above which a figure is not to be found (g)(5). */
const MOST_SHARE = 1.2;

/**
 * What may be found where the panel prints a figure (21 CFR 101.9(g)). A printed zero or "less than" of a figure that
 * may not be found over has to be found as one that prints so.
 */
export function usBounds(key: string, printed: string, isAdded: boolean): Bounds {
	const number = printedNumber(printed);
	const isLess = printed.startsWith('less than');
	if (AT_LEAST.includes(key)) {
		if (isLess || number === 0) return NO_BOUNDS;
		return { low: settled(number * (isAdded ? ADDED_SHARE : NATURAL_SHARE)), high: null };
	}
	if (isLess) return { low: null, high: number };
	return { low: null, high: number === 0 ? endOfZero(key) : settled(number * MOST_SHARE) };
}

/** How finely a printed figure that survives is looked for. */
const FINER = 1.01;
const MOST_TRIES = 200;

/**
 * The panel figure nearest to what is likely that survives: more may be declared of what may not be found over, and less
 * of what may not be found short, within good practice (21 CFR 101.9(g)(6)).
 */
export function usSafePrint(
	key: string,
	{ p5, p95 }: { p5: number; p95: number },
	isAdded: boolean
): string | null {
	const isLeast = AT_LEAST.includes(key);
	let value = isLeast ? p5 / (isAdded ? ADDED_SHARE : NATURAL_SHARE) : p95 / MOST_SHARE;
	for (let tries = 0; tries < MOST_TRIES; tries++) {
		const printed = usPrint(key, value);
		const { low, high } = usBounds(key, printed, isAdded);
		if ((low ?? 0) <= p5 && (high ?? Infinity) >= p95) return printed;
		value *= isLeast ? 1 / FINER : FINER;
	}
	return null;
}

/** An amount of a panel figure as it prints. */
export const usPrint = (key: string, value: number): string =>
	key === 'calories' ? calories(value) : (panelLine(key as PanelKey, value).amount ?? '');

/** Hundredths: every zero of the panel ends on one. */
const STEP = 0.01;

/** The least amount that no longer prints as zero. */
function endOfZero(key: string): number {
	const zero = usPrint(key, 0);
	let steps = 1;
	while (usPrint(key, steps * STEP) === zero) steps++;
	return settled(steps * STEP);
}
