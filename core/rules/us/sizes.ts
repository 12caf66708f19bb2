import { MM_PER_INCH, sizeOfCapitals_pt, sizeOfXHeight_pt } from '../../drawing/type-size.ts';

/** Area of the principal display panel in square inches, up to and including, and the least height of the figures in inches (21 CFR 101.7(i)). */
const NET_STEPS: readonly (readonly [area_in2: number, height_in: number])[] = [
	[5, 1 / 16],
	[25, 1 / 8],
	[100, 3 / 16],
	[400, 1 / 4]
];
const LARGEST_IN = 1 / 2;

/** A small o of 1/16 inch (21 CFR 101.2(c)). */
export const usTextSize_pt = (): number => sizeOfXHeight_pt(MM_PER_INCH / 16);

/** Least type size of the net quantity by the front of the pack. */
export function usNetSize_pt(face_cm2: number): number {
	const area_in2 = face_cm2 / (MM_PER_INCH / 10) ** 2;
	const height_in = NET_STEPS.find(([upTo_in2]) => area_in2 <= upTo_in2)?.[1] ?? LARGEST_IN;
	return sizeOfCapitals_pt(height_in * MM_PER_INCH);
}
