import { MIXED_WORDS, PART_WORDS, WHOLE_WORDS } from './number-words.ts';
import { settled } from './round.ts';
import { folded } from './units.ts';

/** A number as it was said: one value, or a range whose midpoint stands for it (computation, section 2). */
export interface Amount {
	value: number;
	low: number;
	high: number;
}

/** An amount at the start of a text, with the characters it takes. */
export interface AmountFound {
	amount: Amount;
	length: number;
}

export const VULGAR: Record<string, number> = {
	'½': 1 / 2,
	'⅓': 1 / 3,
	'⅔': 2 / 3,
	'¼': 1 / 4,
	'¾': 3 / 4,
	'⅕': 1 / 5,
	'⅖': 2 / 5,
	'⅗': 3 / 5,
	'⅘': 4 / 5,
	'⅙': 1 / 6,
	'⅚': 5 / 6,
	'⅛': 1 / 8,
	'⅜': 3 / 8,
	'⅝': 5 / 8,
	'⅞': 7 / 8
};
const VULGARS = Object.keys(VULGAR).join('');

/** One number in digits: mixed, hyphenated mixed, vulgar, fraction, decimal with point or comma. */
const DIGITS = new RegExp(
	`\\d+(?:\\s+|\\.\\s?)\\d+\\s?[/⁄]\\s?\\d+|\\d+[-–]\\d+\\s?[/⁄]\\s?\\d+(?!\\d)|\\d*\\s?[${VULGARS}]|\\d+\\s?[/⁄]\\s?\\d+|\\d{1,3}(?:,\\d{3})+(?:\\.\\d+)?|\\d{1,3}(?:['’]\\d{3})+|\\d{1,3}(?:\\s\\d{3})+(?=\\s?(?:g|gr|ml)\\b)|\\d+[.,]\\d+|[.,]\\d+|\\d+`,
	'uy'
);
const BETWEEN = /\s*(?:-|–|—|~|\b(?:up\s+to|to|or|bis|a|à|o|ou|oder)\b)\s*/iuy;
/** `between 2 and 3`, `from two to three`. */
const FROM = /(?:between|from)\s+/iuy;
const WORD = /\p{L}+/uy;
const AND = /\s*(?:&|\b(?:and|y|et|und|e)\b)\s*/iuy;
/** `half a cup`, `a quarter of a cup`, `a couple of eggs`: what stands between the number and its unit. */
const OF_A = /\s+(?:of\s+(?:an?|one|the)|an?|of|de)(?=\s)/iuy;
const HYPHEN = /[-\s]+/uy;

/** A number with where it ends in its text. */
interface Said {
	value: number;
	end: number;
}

/** Where a pattern that looks only there ends; -1 where it does not stand there. */
function endOf(pattern: RegExp, text: string, at: number): number {
	pattern.lastIndex = at;
	return pattern.test(text) ? pattern.lastIndex : -1;
}

/** An amount at the start of a text in digits; null when there is none. */
export function amountAtStart(text: string): AmountFound | null {
	return found(text, /^[\d.,]/.test(text) || Object.hasOwn(VULGAR, text[0] ?? ''));
}

/** As `amountAtStart`, in words: `half a`, `two`, `a quarter to a third of a`. A word must follow it. */
export function wordAmountAtStart(text: string): AmountFound | null {
	if (!/^\p{L}/u.test(text)) return null;
	const said = found(text, true);
	return said && /^\s+\S/.test(text.slice(said.length)) ? said : null;
}

function found(text: string, isThere: boolean): AmountFound | null {
	const from = isThere ? Math.max(endOf(FROM, text, 0), 0) : 0;
	const first = isThere ? numberAt(text, from) : null;
	if (!first) return null;
	const between = Math.max(endOf(BETWEEN, text, first.end), from > 0 ? endOf(AND, text, first.end) : -1);
	const second = between < 0 ? null : numberAt(text, between);
	// `1-1/2` is one and a half, `2-3` is two to three, and `3-2` is not a range.
	if (second && second.value > first.value && !isUnitNext(text, first.end, between)) {
		const amount = {
			value: settled((first.value + second.value) / 2),
			low: first.value,
			high: second.value
		};
		return { amount, length: afterOf(text, second) };
	}
	return { amount: single(first.value), length: afterOf(text, first) };
}

/** `a` between two numbers is Spanish; before a unit it is English and belongs to what follows. */
const isUnitNext = (text: string, from: number, to: number) =>
	/^\s*[aoe]\s*$/i.test(text.slice(from, to)) && !/^\s*[\d½⅓⅔¼¾⅛]/u.test(text.slice(to));

function afterOf(text: string, { end }: Said): number {
	if (!/^\s*[\d½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞.,]+$/u.test(text.slice(0, end))) {
		const after = endOf(OF_A, text, end);
		if (after > 0) return after;
	}
	return end;
}

/** One number at a place: digits or words, with the part that may follow. */
function numberAt(text: string, at: number): Said | null {
	const whole = digitsAt(text, at) ?? wordsAt(text, at);
	if (!whole) return null;
	if (whole.value % 1 !== 0) return whole;
	const and = endOf(AND, text, whole.end);
	const part = and < 0 ? null : partAt(text, and);
	return part ? { value: whole.value + part.value, end: part.end } : whole;
}

function digitsAt(text: string, at: number): Said | null {
	const end = endOf(DIGITS, text, at);
	const value = end < 0 ? null : numberOf(text.slice(at, end));
	if (value === null) return null;
	// `3 quarters`, `1 quarter`; `1 half` too.
	const part = Number.isInteger(value) ? partWordAt(text, endOf(HYPHEN, text, end)) : null;
	return part ? { value: value * part.value, end: part.end } : { value, end };
}

/** Less than one, as it is said after `and`: `a half`, `three quarters`, `1/2`. */
function partAt(text: string, at: number): Said | null {
	const part = digitsAt(text, at) ?? wordsAt(text, at);
	return part && part.value > 0 && part.value < 1 ? part : null;
}

function wordAt(text: string, at: number): { word: string; end: number } | null {
	const end = at < 0 ? -1 : endOf(WORD, text, at);
	return end < 0 ? null : { word: folded(text.slice(at, end)), end };
}

function partWordAt(text: string, at: number): Said | null {
	const said = wordAt(text, at);
	const value = said && own(PART_WORDS, said.word);
	return said && value !== undefined && value !== null ? { value, end: said.end } : null;
}

const own = (words: Record<string, number>, word: string): number | undefined =>
	Object.hasOwn(words, word) ? words[word] : undefined;

/** A number in words: `two hundred and fifty`, `three quarters`, `half a dozen`, `a`. */
function wordsAt(text: string, at: number): Said | null {
	const first = wordAt(text, at);
	if (!first) return null;
	const mixed = own(MIXED_WORDS, first.word);
	if (mixed !== undefined) return { value: mixed, end: first.end };
	const part = own(PART_WORDS, first.word);
	if (part !== undefined) {
		// `half a dozen` is six.
		const dozen = /^\s+(?:an?\s+)?dozen\b/i.exec(text.slice(first.end));
		return dozen ? { value: 6, end: first.end + dozen[0].length } : { value: part, end: first.end };
	}
	let value = own(WHOLE_WORDS, first.word);
	if (value === undefined) return null;
	let end = first.end;
	const isOne = first.word === 'a' || first.word === 'an';
	for (;;) {
		const gap = endOf(HYPHEN, text, end);
		const next = wordAt(text, gap);
		const more = next && own(WHOLE_WORDS, next.word);
		const parts = next && own(PART_WORDS, next.word);
		if (next && parts !== undefined && parts !== null) return { value: value * parts, end: next.end };
		if (!next || more === undefined || more === null) break;
		if (['hundred', 'dozen', 'couple', 'pair'].includes(next.word)) value *= more;
		else if (value >= 20 && value % 10 === 0 && more < 10 && more > 0 && next.word.length > 2) value += more;
		else break;
		end = next.end;
		// `two hundred and fifty`
		const and = value % 100 === 0 && value > 0 ? endOf(AND, text, end) : -1;
		const rest = and < 0 ? null : wordsAt(text, and);
		if (rest && Number.isInteger(rest.value) && rest.value < 100 && rest.value > 1)
			return { value: value + rest.value, end: rest.end };
	}
	// `a hundred` is one; `a` of a unit stays one.
	return { value: isOne && end === first.end ? 1 : value, end };
}

/** The amount times a factor. */
export function timesAmount(amount: Amount, factor: number): Amount {
	return { value: amount.value * factor, low: amount.low * factor, high: amount.high * factor };
}

/** Both amounts together. */
export function plusAmount(a: Amount, b: Amount): Amount {
	return { value: a.value + b.value, low: a.low + b.low, high: a.high + b.high };
}

export const single = (value: number): Amount => ({ value, low: value, high: value });

function numberOf(text: string): number | null {
	const plain = text
		.trim()
		.replace(/⁄/g, '/')
		// `1 000` and `1'000` are thousands wherever they are written so.
		.replace(
			/^(\d{1,3})((?:[\s'’]\d{3})+)$/,
			(_, first: string, more: string) => first + more.replace(/\D/g, '')
		);
	const vulgar = VULGAR[plain.at(-1) ?? ''];
	if (vulgar !== undefined) return Number(plain.slice(0, -1).trim() || 0) + vulgar;
	const mixed = /^(?:(\d+)[\s\-–.]+)?(\d+)\s*\/\s*(\d+)$/.exec(plain);
	if (mixed) {
		const bottom = Number(mixed[3]);
		return bottom === 0 ? null : Number(mixed[1] ?? 0) + Number(mixed[2]) / bottom;
	}
	if (/^\d{1,3}(,\d{3})+\.\d+$/.test(plain)) return Number(plain.replaceAll(',', ''));
	if (/^\d*[.,]?\d+$/.test(plain)) return Number(plain.replace(',', '.'));
	return /^\d{1,3}(,\d{3}){2,}$/.test(plain) ? Number(plain.replaceAll(',', '')) : null;
}
