import { sizeOfCapitals_pt, sizeOfXHeight_pt } from '../../drawing/type-size.ts';

/** Nominal grams, up to and including, and the least height of the figures (Directive 76/211/EEC annex I 3.1). */
const NET_STEPS: readonly (readonly [nominal_g: number, height_mm: number])[] = [
	[50, 2],
	[200, 3],
	[1000, 4]
];
const LARGEST_MM = 6;
const SMALL_SURFACE_CM2 = 80;

/** An x-height of 1.2 mm, 0.9 mm where the largest surface is under 80 cm² (Regulation 1169/2011 art. 13(2), (3)). */
export const euTextSize_pt = (surface_cm2: number): number =>
	sizeOfXHeight_pt(surface_cm2 < SMALL_SURFACE_CM2 ? 0.9 : 1.2);

/** Least type size of the net quantity by what is declared. */
export const euNetSize_pt = (declared_g: number): number =>
	sizeOfCapitals_pt(NET_STEPS.find(([nominal_g]) => declared_g <= nominal_g)?.[1] ?? LARGEST_MM);
