import { settled } from './round.ts';

/** A number as it was said: one value, or a range whose midpoint stands for it (computation, section 2). */
export interface Amount {
	value: number;
	low: number;
	high: number;
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

/** Number words of the languages lines come in; only at the start of a line, where they are amounts. */
const WORDS: Record<string, number> = {
	a: 1,
	an: 1,
	one: 1,
	two: 2,
	three: 3,
	four: 4,
	five: 5,
	six: 6,
	seven: 7,
	eight: 8,
	nine: 9,
	ten: 10,
	twelve: 12,
	half: 0.5,
	'half a': 0.5,
	'half an': 0.5,
	'a half': 0.5,
	'one half': 0.5,
	'a quarter': 0.25,
	'one quarter': 0.25,
	quarter: 0.25,
	'three quarters': 0.75,
	'three-quarters': 0.75,
	'three-quarter': 0.75,
	'one-half': 0.5,
	'one-third': 1 / 3,
	'two-thirds': 2 / 3,
	'one-quarter': 0.25,
	'three quarter': 0.75,
	'a third': 1 / 3,
	'one third': 1 / 3,
	'two thirds': 2 / 3,
	'one and a half': 1.5,
	'two and a half': 2.5,
	'three and a half': 3.5,
	'a dozen': 12,
	'half a dozen': 6,
	un: 1,
	une: 1,
	una: 1,
	uno: 1,
	ein: 1,
	eine: 1,
	dos: 2,
	deux: 2,
	zwei: 2,
	due: 2,
	media: 0.5,
	medio: 0.5,
	demi: 0.5,
	halbe: 0.5
};
const WORD_PATTERN = Object.keys(WORDS)
	.sort((a, b) => b.length - a.length)
	.join('|');

/** One number in digits: mixed, hyphenated mixed, vulgar, fraction, decimal with point or comma. */
const NUMBER = `\\d+\\s+\\d+\\s*[/⁄]\\s*\\d+|\\d+[-–]\\d+\\s*[/⁄]\\s*\\d+(?!\\d)|\\d*\\s*[${VULGARS}]|\\d+\\s*[/⁄]\\s*\\d+|\\d{1,3}(?:,\\d{3})+(?:\\.\\d+)?|\\d{1,3}(?:['’]\\d{3})+|\\d{1,3}(?:\\s\\d{3})+(?=\\s*(?:g|gr|ml)\\b)|\\d+[.,]\\d+|[.,]\\d+|\\d+`;
const RANGE = `\\s*(?:-|–|—|~|to|or|bis|a|à|o|ou|oder)\\s*`;

/** An amount at the start of a text in digits, with the characters it takes; null when there is none. */
export function amountAtStart(text: string): { amount: Amount; length: number } | null {
	const range = new RegExp(`^(${NUMBER})${RANGE}(${NUMBER})`, 'iu').exec(text);
	if (range) {
		const amount = rangeOf(range[1] ?? '', range[2] ?? '');
		if (amount) return { amount, length: range[0].length };
	}
	const one = new RegExp(`^(?:${NUMBER})`, 'u').exec(text);
	const value = one ? numberOf(one[0]) : null;
	return one && value !== null ? { amount: single(value), length: one[0].length } : null;
}

/** As `amountAtStart`, in words: `half a`, `two`. */
export function wordAmountAtStart(text: string): { amount: Amount; length: number } | null {
	const found = new RegExp(`^(${WORD_PATTERN})(?:\\s+(?:of\\s+an?|an?)(?=\\s))?(?=\\s)`, 'i').exec(text);
	const value = found ? WORDS[(found[1] ?? '').toLowerCase()] : undefined;
	return found && value !== undefined ? { amount: single(value), length: found[0].length } : null;
}

/** The amount times a factor. */
export function timesAmount(amount: Amount, factor: number): Amount {
	return { value: amount.value * factor, low: amount.low * factor, high: amount.high * factor };
}

/** Both amounts together. */
export function plusAmount(a: Amount, b: Amount): Amount {
	return { value: a.value + b.value, low: a.low + b.low, high: a.high + b.high };
}

const single = (value: number): Amount => ({ value, low: value, high: value });

/** `1-1/2` is one and a half, `2-3` is two to three, and `3-2` is not a range. */
function rangeOf(first: string, second: string): Amount | null {
	const [low, high] = [numberOf(first), numberOf(second)];
	if (low === null || high === null || high <= low) return null;
	return { value: settled((low + high) / 2), low, high };
}

function numberOf(text: string): number | null {
	const plain = text
		.trim()
		.replace(/⁄/g, '/')
		// `1 000` and `1'000` are thousands wherever they are written so.
		.replace(
			/^(\d{1,3})((?:[\s'’]\d{3})+)$/,
			(_, first: string, more: string) => first + more.replace(/\D/g, '')
		);
	const vulgar = new RegExp(`^(\\d*)\\s*([${VULGARS}])$`, 'u').exec(plain);
	if (vulgar) return Number(vulgar[1] || 0) + (VULGAR[vulgar[2] ?? ''] ?? 0);
	const mixed = /^(?:(\d+)[\s\-–]+)?(\d+)\s*\/\s*(\d+)$/.exec(plain);
	if (mixed) {
		const bottom = Number(mixed[3]);
		return bottom === 0 ? null : Number(mixed[1] ?? 0) + Number(mixed[2]) / bottom;
	}
	if (/^\d{1,3}(,\d{3})+\.\d+$/.test(plain)) return Number(plain.replaceAll(',', ''));
	if (/^\d*[.,]?\d+$/.test(plain)) return Number(plain.replace(',', '.'));
	return /^\d{1,3}(,\d{3}){2,}$/.test(plain) ? Number(plain.replaceAll(',', '')) : null;
}
