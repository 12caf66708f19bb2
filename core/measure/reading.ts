import { VULGAR } from './amount.ts';
import { GRAMS_PER, unitNamed } from './units.ts';

/** A figure read from what was typed, or what is wrong with it. */
export type Read<T> = { ok: true; value: T } | { ok: false; message: string };

const fail = (message: string): { ok: false; message: string } => ({ ok: false, message });

/**
 * A number as people write it: `12`, `1.5`, `1,5`, `1/2`, `1 1/2`, `½`, `1½`. What can be read two
 * ways, such as `1,130`, is refused and never guessed.
 */
export function readNumber(text: string): Read<number> {
	const trimmed = text.trim().replace(/\u2044/g, '/');
	if (trimmed === '') return fail('empty: type a number');
	if (/^[-−–]\s*[\d½⅓⅔¼¾⅛.,]/.test(trimmed)) return fail('cannot be negative: type it without the minus');
	const mixed = /^(?:(\d+)\s*)?([½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞])$/.exec(trimmed);
	if (mixed) return { ok: true, value: Number(mixed[1] ?? 0) + (VULGAR[mixed[2] ?? ''] ?? 0) };
	const fraction = /^(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(trimmed);
	if (fraction) {
		const [, whole = '0', top, bottom] = fraction;
		if (Number(bottom) === 0) return fail(`"${trimmed}" divides by zero`);
		return { ok: true, value: Number(whole) + Number(top) / Number(bottom) };
	}
	if (/^[1-9]\d{0,2}(,\d{3})+$/.test(trimmed))
		return fail(
			`"${trimmed}" can be read two ways: write ${trimmed.replaceAll(',', '')} or ${trimmed.replace(',', '.')}`
		);
	if (/^[1-9]\d{0,2}(,\d{3})+\.\d+$/.test(trimmed))
		return { ok: true, value: Number(trimmed.replaceAll(',', '')) };
	if (/^(\d+([.,]\d*)?|[.,]\d+)$/.test(trimmed))
		return { ok: true, value: Number(trimmed.replace(',', '.')) };
	return fail(`"${trimmed}" is not a number: type it as 12, 1.5 or 1 1/2`);
}

/** A number that may be below zero: a freezer's. */
export function readSigned(text: string): Read<number> {
	const below = /^\s*[-−–]\s*/.exec(text);
	const result = readNumber(below ? text.slice(below[0].length) : text);
	return result.ok && below ? { ok: true, value: -result.value } : result;
}

/** Units a weight may be typed in. */
const WEIGHT_UNITS = ['g', 'kg', 'oz', 'lb'] as const;

/** Grams from a number with an optional unit of mass; without one it is grams. */
export function readGrams(text: string): Read<number> {
	const match = /^(.*?)\s*(\p{L}+)\.?$/u.exec(text.trim());
	if (!match) return readNumber(text);
	const unit = unitNamed(match[2] ?? '');
	const factor = unit && WEIGHT_UNITS.find((name) => name === unit.name);
	if (!factor) {
		const number = readNumber(match[1] ?? '');
		return fail(
			number.ok
				? `"${match[2]}" is not a unit of weight known here: use g, kg, oz or lb`
				: `"${text.trim()}" is not a weight`
		);
	}
	const number = readNumber(match[1] ?? '');
	return number.ok ? { ok: true, value: number.value * GRAMS_PER[factor] } : number;
}

/** A whole number of things. */
export function readCount(text: string): Read<number> {
	const number = readNumber(text);
	if (!number.ok) return number;
	if (!Number.isSafeInteger(number.value)) return fail(`must be a whole number, not ${text.trim()}`);
	return number;
}

/** Before the point: more than that no kitchen takes, and a slip of the keys does. */
const MOST_DIGITS = 9;

/**
 * An amount of money as an exact decimal string, `6.50` from `6,5` or `$6.50`; at most four decimals,
 * and nine digits before them.
 */
export function readMoney(text: string): Read<string> {
	const trimmed = text.trim().replace(/^\p{Sc}\s*|\s*\p{Sc}$/gu, '');
	if (trimmed === '') return fail('empty: type an amount of money');
	if (/^[-−–]/.test(trimmed)) return fail('cannot be negative: type it without the minus');
	if (!/^\d+([.,]\d+)?$/.test(trimmed))
		return fail(`"${trimmed}" is not an amount of money: type it as 6 or 6.50`);
	const number = readNumber(trimmed);
	if (!number.ok) return number;
	const decimal = trimmed.replace(',', '.').replace(/^0+(?=\d)/, '');
	const [whole = '', part = ''] = decimal.split('.');
	if (part.length > 4) return fail('has more than four decimals');
	if (whole.length > MOST_DIGITS) return fail('is a thousand millions or more: check the figure');
	return { ok: true, value: decimal };
}

/** Several weights in one field, with spaces, semicolons or line breaks between them. */
export function readGramsList(text: string): Read<number[]> {
	const values: number[] = [];
	for (const token of text.split(/[\s;]+|,(?=\s|$)/).filter((part) => part !== '')) {
		const parts =
			/^\d+(\.\d+)?(,\d+(\.\d+)?)+$/.test(token) && token.includes('.') ? token.split(',') : [token];
		for (const part of parts) {
			if (/^\d+,\d{2,}$/.test(part))
				return fail(`"${part}" can be one weight or two: put a space between weights`);
			const read = readNumber(part.replace(/g$/i, ''));
			if (!read.ok) return fail(`${read.message} (in "${part}")`);
			if (read.value === 0) return fail('a weight of 0 g is not a reading');
			values.push(read.value);
		}
	}
	return { ok: true, value: values };
}
