import { X_HEIGHT } from '../drawing/arimo.ts';
import { PT_PER_MM } from '../drawing/shapes.ts';
import type { RulesName } from '../formula/types.ts';

const MM_PER_INCH = 25.4;
/** Height of capitals and figures of the typeface as a share of its size. */
const CAP_HEIGHT = 1409 / 2048;

/**
 * Least type size of the ingredient list and the other words a rule set asks for: a small o of 1/16 inch
 * in the United States (21 CFR 101.2(c)), an x-height of 1.2 mm in the EU and UK (Regulation 1169/2011
 * art. 13(2)), 0.9 mm where the largest surface is under 80 cm².
 */
export function leastTextSize_pt(rules: RulesName, label_cm2: number): number {
	const xHeight_mm = rules === 'us' ? MM_PER_INCH / 16 : label_cm2 < 80 ? 0.9 : 1.2;
	return (xHeight_mm * PT_PER_MM) / X_HEIGHT;
}

/** Label area in square inches, up to and including, and the least height of the figures in inches (21 CFR 101.7(i)). */
const US_NET_STEPS: readonly (readonly [area_in2: number, height_in: number])[] = [
	[5, 1 / 16],
	[25, 1 / 8],
	[100, 3 / 16],
	[400, 1 / 4]
];
/** Nominal grams, up to and including, and the least height of the figures (Directive 76/211/EEC annex I 3.1). */
const EU_NET_STEPS: readonly (readonly [nominal_g: number, height_mm: number])[] = [
	[50, 2],
	[200, 3],
	[1000, 4]
];

/** Least type size of the net quantity, by the label's area (US) or what it declares (EU and UK). */
export function leastNetSize_pt(rules: RulesName, label_cm2: number, declared_g: number): number {
	const height_mm =
		rules === 'us'
			? (US_NET_STEPS.find(([area_in2]) => label_cm2 / (MM_PER_INCH / 10) ** 2 <= area_in2)?.[1] ?? 1 / 2) *
				MM_PER_INCH
			: (EU_NET_STEPS.find(([nominal_g]) => declared_g <= nominal_g)?.[1] ?? 6);
	return (height_mm * PT_PER_MM) / CAP_HEIGHT;
}
