import { settled } from '../measure/round.ts';
import { GRAMS_PER } from '../measure/units.ts';

/** What a scale said in one line of text. */
export type ScaleLine =
	| {
			state: 'weight';
			grams: number;
			/** As the scale itself says; null where it does not. */ steady: boolean | null;
	  }
	| { state: 'overload' | 'battery low' };

/**
 * Reads a line as scales send them over a serial port: a number with a unit, words before or after. A
 * line without a weight that says nothing else known is null, and so is one without a unit: grams are not guessed.
 */
export function readScaleLine(text: string): ScaleLine | null {
	if (/\b(OL|over(load)?)\b/i.test(text)) return { state: 'overload' };
	if (/\b(lo(w)?\W*bat(tery)?|bat(tery)?\W*lo(w)?)\b/i.test(text)) return { state: 'battery low' };
	const found = /([-+−]?)\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*(kg|g|oz|lb)\b/i.exec(text);
	if (!found) return null;
	const [whole, sign, digits = '', unit = ''] = found;
	const factor = GRAMS_PER[unit.toLowerCase() as 'g' | 'kg' | 'oz' | 'lb'];
	const grams = (sign === '-' || sign === '−' ? -1 : 1) * Number(digits.replace(',', '.')) * factor;
	return { state: 'weight', grams: grams + 0, steady: steadyOf(text.replace(whole, ' ')) };
}

/** What the words around the weight say of it. */
function steadyOf(words: string): boolean | null {
	if (/\b(US|unstable|unsteady|D)\b|[~?]/i.test(words)) return false;
	if (/\b(ST|S|stable|steady)\b/i.test(words)) return true;
	return null;
}

/**
 * Reads a line as thermometers send them: a number with °C or °F, in degrees Celsius. Null where it names
 * no temperature.
 */
export function readTemperatureLine(text: string): number | null {
	const found = /([-+−]?)\s*(\d+(?:[.,]\d+)?)\s*°?\s*(C|F)\b/i.exec(text);
	if (!found) return null;
	const [, sign, digits = '', unit = ''] = found;
	const degrees = (sign === '-' || sign === '−' ? -1 : 1) * Number(digits.replace(',', '.'));
	return unit.toUpperCase() === 'F' ? settled(((degrees - 32) * 5) / 9) : degrees;
}
