import {
	amountAtStart,
	plusAmount,
	single,
	timesAmount,
	wordAmountAtStart,
	type Amount,
	type AmountFound
} from './amount.ts';
import { CONTAINERS, GRAMS_PER, unitAtStart, type Unit } from './units.ts';

/** An amount of a unit, as a line says it. */
export interface Quantity {
	amount: Amount;
	unit: Unit;
}

export interface QuantityFound {
	quantity: Quantity;
	length: number;
	/** Whether a number stood alone. */
	bare: boolean;
	notes: string[];
}

const SIZE =
	/^(?:(?:my|our|of\s+my|of\s+our|heaped|heaping|level|levelled|scant|rounded|generous|packed|large|small|medium|big|full|good|extra|more|little|tiny|fat)\s+){1,2}/i;

/** What a bare number counts. */
export const EACH: Unit = { name: 'each', kind: 'count' };

/** Whether a unit says how much, and not only how many. */
export const isMeasured = (unit: Unit) => unit.kind === 'mass' || unit.kind === 'volume';

/** A quantity at the start of a text: a number with its unit, or, where `bare` allows, without. */
export function quantityAtStart(
	text: string,
	allow: { words?: boolean; bare?: boolean } = {}
): QuantityFound | null {
	const number = amountAtStart(text) ?? (allow.words ? wordAmountAtStart(text) : null);
	if (!number) return null;
	const inDigits = /^[\d.,½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞]/u.test(text);
	const after = text.slice(number.length);
	// A percentage, a temperature or a type number is not an amount, nor is a number before another.
	if (/^\s*(?:%|°|º|percent\b)/i.test(after) || /^\d/.test(after)) return null;
	const size = /^[\s-]*/.exec(after)?.[0].length ?? 0;
	const notes: string[] = [];
	let at = size;
	const sized = SIZE.exec(after.slice(at));
	if (sized) {
		at += sized[0].length;
		notes.push(sized[0].trim().toLowerCase());
	}
	const found = unitAtStart(after.slice(at));
	if (found) {
		const amount = thousands(text.slice(0, number.length), found.unit) ?? number.amount;
		return {
			quantity: { amount, unit: found.unit },
			length: number.length + at + found.length,
			bare: false,
			notes
		};
	}
	if (!allow.bare || (!inDigits && size === 0) || /^\p{L}/u.test(after)) return null;
	return {
		quantity: { amount: number.amount, unit: EACH },
		length: number.length + (sized ? at : 0),
		bare: true,
		notes
	};
}

/**
 * `1,130 g` is thousands: nobody weighs a thousandth of a gram of flour. `1,250 kg` is a decimal comma:
 * nobody kneads a tonne.
 */
function thousands(digits: string, unit: Unit): Amount | null {
	if (!/^[1-9]\d{0,2}[.,]\d{3}$/.test(digits) || !['g', 'ml'].includes(unit.name)) return null;
	return single(Number(digits.replace(/[.,]/, '')));
}

/** Units that stand for one of them when no number is said: `pinch of salt`. */
const ALONE = ['pinch', 'packet', 'stick', 'cake', 'cup', 'tbsp', 'tsp', 'clove'];

/** Vague amounts that are said without `a` and `of`. */
const HANDFULS = ['handful', 'knob', 'dash', 'splash', 'drizzle', 'sprinkle', 'dollop'];

/** `pinch of salt`, `heaping tablespoon of honey`: one of it. */
export function unitAlone(text: string): QuantityFound | null {
	const sized = SIZE.exec(text);
	const at = sized?.[0].length ?? 0;
	const found = unitAtStart(text.slice(at));
	if (!found || !(found.unit.kind === 'vague' || ALONE.includes(found.unit.name))) return null;
	const after = text.slice(at + found.length);
	// `cake flour` is no cake, and `spoon` says nothing without `of`.
	const isPinch =
		found.unit.kind === 'vague'
			? HANDFULS.includes(found.unit.name)
			: ['pinch', 'packet'].includes(found.unit.name);
	if (!/^\s+(?:of\s|de\s|d['’]|di\s)/i.test(after) && !(isPinch && (after === '' || /^\s/.test(after))))
		return null;
	return {
		quantity: { amount: single(1), unit: found.unit },
		length: at + found.length,
		bare: false,
		notes: sized ? [sized[0].trim().toLowerCase()] : []
	};
}

/** `and a half` after a unit is half of that unit: `a tablespoon and a half of honey`. */
const AND_PART = /^\s*(?:and|&|y|et|und)\s+(?=[\p{L}½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞\d])/iu;

function partAfter(text: string): AmountFound | null {
	const and = AND_PART.exec(text);
	if (!and) return null;
	const after = text.slice(and[0].length);
	// What ends the line must be followed by something to be read as a word.
	const part = amountAtStart(after) ?? wordAmountAtStart(`${after} .`);
	if (!part || part.amount.value >= 1 || part.amount.low !== part.amount.high) return null;
	return { amount: part.amount, length: and[0].length + Math.min(part.length, after.length) };
}

const SMALLER: Record<string, string[]> = { lb: ['oz'], kg: ['g'], cup: ['tbsp', 'tsp'], tbsp: ['tsp'] };

/** What is added to a quantity: `+ 2 tbsp`, `plus 1 tsp`, `and a teaspoon`, `and a half`, as often as it is said. */
export function addends(text: string, first: Quantity): { quantities: Quantity[]; length: number } {
	const quantities: Quantity[] = [];
	let length = 0;
	let last = first;
	for (;;) {
		const rest = text.slice(length);
		const plus = /^\s*(\+|plus|and|&|y|et|und|e|ve|)\s*(?=[\p{L}\d½⅓⅔¼¾⅛])/iu.exec(rest);
		const next = plus ? quantityAtStart(rest.slice(plus[0].length), { words: plus[1] !== '' }) : null;
		// Without a word between them only a smaller unit follows: `1 lb 4 oz`.
		const isNext =
			plus && next && (plus[1] !== '' || SMALLER[last.unit.name]?.includes(next.quantity.unit.name));
		const part = isNext ? null : partAfter(rest);
		if (isNext) {
			last = next.quantity;
			quantities.push(next.quantity);
			length += plus[0].length + next.length;
		} else if (part) {
			quantities.push({ amount: part.amount, unit: last.unit });
			length += part.length;
		} else return { quantities, length };
	}
}

/** `7 g sachet`, `400 ml tin`: the container only holds the amount. */
export function withoutHolder(text: string): string {
	const holder = unitAtStart(text.trimStart());
	return holder && CONTAINERS.includes(holder.unit.name) ? text.trimStart().slice(holder.length) : text;
}

/** So many of a quantity each. */
export function timesQuantity(quantity: Quantity, times: Amount): Quantity {
	return { unit: quantity.unit, amount: timesAmount(quantity.amount, times.value) };
}

/** Quantities as one: of one unit, or weights in grams; null for what cannot be added without more. */
export function together(quantities: readonly Quantity[]): Quantity | null {
	const same = sameUnitSum(quantities);
	if (same || quantities.some(({ unit }) => unit.kind !== 'mass')) return same;
	const grams = quantities.map(({ amount, unit }) =>
		timesAmount(amount, GRAMS_PER[unit.name as keyof typeof GRAMS_PER])
	);
	return { unit: GRAM, amount: grams.reduce(plusAmount) };
}

const GRAM: Unit = { name: 'g', kind: 'mass' };

/** Sum of quantities of one unit; null when the units differ. */
export function sameUnitSum(quantities: readonly Quantity[]): Quantity | null {
	const [first, ...more] = quantities;
	if (!first || more.some((quantity) => quantity.unit.name !== first.unit.name)) return null;
	return {
		unit: first.unit,
		amount: more.reduce((sum, quantity) => plusAmount(sum, quantity.amount), first.amount)
	};
}
