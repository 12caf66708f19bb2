import { folded } from './units.ts';
import { readSigned, type Read } from './reading.ts';
import { readTemperature } from './temperature.ts';

/** How hot what is said is about, °C: ovens by their usual words and gas marks, flames under a griddle. */
const WORDS: [words: RegExp, temperature_c: number][] = [
	[/^(?:very|extremely) hot oven$/, 245],
	[/^moderately hot oven$/, 200],
	[/^hot oven$/, 220],
	[/^(?:moderate|medium) oven$/, 180],
	[/^(?:slow|low|cool) oven$/, 150],
	[/^(?:very high|highest|full) (?:flame|heat)$/, 280],
	[/^high (?:flame|heat)$/, 260],
	[/^medium[ -]high (?:flame|heat)$/, 230],
	[/^(?:medium|moderate) (?:flame|heat)$/, 200],
	[/^(?:medium[ -])?low (?:flame|heat)$/, 150]
];

/** Gas marks from 1/4 to 10, °C. */
const GAS_MARKS = new Map<string, number>([
	['1/4', 110],
	['1/2', 120],
	['1', 140],
	['2', 150],
	['3', 170],
	['4', 180],
	['5', 190],
	['6', 200],
	['7', 220],
	['8', 230],
	['9', 240],
	['10', 260]
]);

/** How hot a step is, as it is typed: `230`, `450 F`, `-18`, `hot oven`, `gas mark 7`, `medium flame`; in °C. */
export function readHeat(text: string): Read<number> {
	const said = folded(text.trim()).replace(/^(?:a|an|on a?|in an?|over a?) /, '');
	const mark = /^(?:gas(?: mark)?|mark) (\d{1,2}(?:\/\d)?)$/.exec(said)?.[1];
	const known = mark ? GAS_MARKS.get(mark) : WORDS.find(([words]) => words.test(said))?.[1];
	if (known !== undefined) return { ok: true, value: known };
	const read = readTemperature(text, readSigned);
	return read.ok
		? read
		: { ok: false, message: 'is no temperature: 230, 450 F, hot oven, gas mark 7, medium flame' };
}

/** Whether it was said in words, and the figure is only about what is meant. */
export const isAboutHeat = (text: string): boolean =>
	/\p{L}{3}/u.test(text) && !/celsius|fahrenheit/i.test(text);
