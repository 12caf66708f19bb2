import { settled } from '../../measure/round.ts';
import { NO_BOUNDS, printedNumber, type Bounds } from '../tolerance.ts';
import { NEGLIGIBLE } from './table.ts';

/** So many grams up to a declared figure, then a share of it, and from `wideFrom` grams so many grams again. */
interface Band {
	near_g: number;
	shareFrom: number;
	wideFrom: number;
	wide_g: number;
}

const SHARE = 0.2;
const usual = (near_g: number): Band => ({ near_g, shareFrom: 10, wideFrom: 40, wide_g: 8 });
const narrow = (near_g: number, shareFrom: number): Band => ({
	near_g,
	shareFrom,
	wideFrom: Infinity,
	wide_g: 0
});

/** The Commission's guidance of December 2012 on tolerances, table 1, per 100 g. Energy has none of its own. */
const BANDS: Partial<Record<string, Band>> = {
	carbohydrate: usual(2),
	sugars: usual(2),
	protein: usual(2),
	fibre: usual(2),
	fat: usual(1.5),
	saturates: narrow(0.8, 4),
	salt: narrow(0.375, 1.25)
};

/** What may be found of 100 g where the table prints a figure; these bounds hold what a laboratory is unsure of. */
export function euBounds(key: string, printed: string): Bounds {
	const band = BANDS[key];
	if (!band) return NO_BOUNDS;
	const number = printedNumber(printed);
	if (printed.startsWith('<') || number === 0) return { low: null, high: NEGLIGIBLE[key] ?? 0 };
	const { near_g, shareFrom, wideFrom, wide_g } = band;
	const off = number < shareFrom ? near_g : number <= wideFrom ? number * SHARE : wide_g;
	return { low: Math.max(0, settled(number - off)), high: settled(number + off) };
}
