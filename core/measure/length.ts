import { readNumber, type Read } from './reading.ts';
import { settled } from './round.ts';

/** Millimetres of a unit as it is typed. */
const UNITS: [words: RegExp, mm: number][] = [
	[/^(?:mm|millimet(?:er|re)s?)\.?$/i, 1],
	[/^(?:cm|centimet(?:er|re)s?)\.?$/i, 10],
	[/^(?:in|inch|inches|")\.?$|^[″”]$/i, 25.4]
];

/** A length as it is typed, `20`, `20 cm`, `8 in`, `1/8"`, in `unit`; a number alone is in that. */
export function readLength(text: string, unit: 'cm' | 'mm'): Read<number> {
	const found = /^(.*?[\d½¼¾⅓⅔⅛⅜⅝⅞])\s*([a-z]+\.?|["″”])$/iu.exec(text.trim());
	if (!found) return readNumber(text);
	const [, amount = '', words = ''] = found;
	const mm = UNITS.find(([known]) => known.test(words))?.[1];
	if (mm === undefined) return { ok: false, message: 'is not a length: cm, mm or inches' };
	const number = readNumber(amount);
	return number.ok ? { ok: true, value: settled((number.value * mm) / (unit === 'cm' ? 10 : 1)) } : number;
}
