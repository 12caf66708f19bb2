import { X_HEIGHT } from './arimo.ts';
import { PT_PER_MM } from './shapes.ts';

export const MM_PER_INCH = 25.4;
/** Height of capitals and figures of the typeface as a share of its size. */
const CAP_HEIGHT = 1409 / 2048;

/** How high the capitals and figures of a type size are. */
export const capitals_pt = (size_pt: number): number => size_pt * CAP_HEIGHT;

/** Type size whose small letters are so high. */
export const sizeOfXHeight_pt = (height_mm: number): number => (height_mm * PT_PER_MM) / X_HEIGHT;

/** Type size whose capitals and figures are so high. */
export const sizeOfCapitals_pt = (height_mm: number): number => (height_mm * PT_PER_MM) / CAP_HEIGHT;
