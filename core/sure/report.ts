import { compositionOf, type SomeValues } from '../composition/nutrients.ts';
import type { Figure } from '../rules/figure.ts';
import { laboratoryRsd } from './laboratory.ts';
import type { PrintedSure } from './result.ts';

/** What a laboratory reports of 100 g, and the expanded uncertainty (k = 2) of each, where it states one. */
export interface Report {
	found: SomeValues;
	uncertainty: SomeValues;
}

/** An input, and by how many of its own spreads it would have to be other than is assumed for a report to be so. */
export interface Shift {
	input: string;
	spreads: number;
}

/** A figure as it was worked out beside what a laboratory found of it. */
export interface Beside {
	figure: string;
	/** Of the printed serving, or of 100 g. */
	reported: number;
	/** How many spreads of both together they are apart; negative where less was found. */
	apart: number;
	/** Whether that is more than both explain, 19 times in 20. */
	isFar: boolean;
	/** What would have to be otherwise, where they are far apart: what has moved by a spread or more. */
	unlikely: Shift[];
}

/** Two standard deviations hold 95 in 100. */
const FAR = 2;
const LEAST_SHIFT = 1;

/**
 * A report of 100 g set beside a derived figure of `grams` of the product; null where the report does not give what it
 * is made of. What each input would have moved by is its part of the difference: its share of the whole variance.
 */
export function besideReport(
	sure: PrintedSure,
	figure: Figure,
	{ found, uncertainty }: Report,
	grams: number
): Beside | null {
	const per100g = figure.of(compositionOf(found));
	if (per100g === null) return null;
	const reported = (per100g * grams) / 100;
	// What the draws say of the laboratory gives way to what this one says of itself.
	const own = sure.shares.filter(({ input }) => !input.startsWith('laboratory '));
	const variance = sure.firstOrderSd ** 2 * own.reduce((sum, { share }) => sum + share, 0);
	const stated = figure.of(compositionOf(uncertainty));
	const standard =
		stated === null ? reported * laboratoryRsd(per100g, figure.unit) : (stated * grams) / 100 / 2;
	const both = Math.sqrt(variance + standard ** 2);
	if (both === 0) return { figure: sure.figure, reported, apart: 0, isFar: false, unlikely: [] };
	const apart = (reported - sure.found.mean) / both;
	const isFar = Math.abs(apart) > FAR;
	const unlikely = own
		.map(({ input, share }) => ({
			input,
			spreads: (Math.sqrt(share) * sure.firstOrderSd * Math.abs(apart)) / both
		}))
		.filter(({ spreads }) => isFar && spreads >= LEAST_SHIFT);
	return { figure: sure.figure, reported, apart, isFar, unlikely };
}
