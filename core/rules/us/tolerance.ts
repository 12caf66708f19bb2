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

/** Hundredths: every zero of the panel ends on one. */
const STEP = 0.01;

/** The least amount that no longer prints as zero. */
function endOfZero(key: string): number {
	const prints = (value: number) =>
		key === 'calories' ? calories(value) : (panelLine(key as PanelKey, value).amount ?? '');
	const zero = prints(0);
	let steps = 1;
	while (prints(steps * STEP) === zero) steps++;
	return settled(steps * STEP);
}
