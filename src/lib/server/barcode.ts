import { gtinProblem } from '$core/label/barcode.ts';
// The default export: the named `raw` of this package is a symbology, not the function.
import bwip from 'bwip-js/node';

/** Bars and spaces of a trade item number in modules, a bar first; null for none or a number that is wrong. */
export function barcodeBars(digits: string): number[] | null {
	if (gtinProblem(digits) !== null) return null;
	const [symbol] = bwip.raw({ bcid: digits.length === 12 ? 'upca' : 'ean13', text: digits }) as {
		sbs?: number[];
	}[];
	return symbol?.sbs ?? null;
}
