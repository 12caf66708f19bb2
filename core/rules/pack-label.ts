import { settled } from '../measure/round.ts';
import type { Problem } from '../problem.ts';
import type { CompositionKey, SomeValues } from '../composition/nutrients.ts';

/** The least and the most that rounds to what a label prints. */
export type Interval = [low: number, high: number];
export type Intervals = Partial<Record<CompositionKey, Interval>>;

/** What a label says of one line: a number, or "less than" one. */
export interface Printed {
	value: number;
	lessThan: boolean;
}

/** How the packs of a place print their values, and what those come to. */
export interface PackLabel {
	/** Its lines in their order: composition keys, but for what it prints otherwise (`salt_g`). */
	lines: readonly string[];
	/** Whether its values are of a serving, which then has to be known; of 100 g otherwise. */
	perServing: boolean;
	read(printed: Partial<Record<string, Printed>>, serving_g: number): LabelReading;
}

/** A pack label typed as printed, and what it comes to in 100 g, with what the rounding leaves open. */
export interface LabelReading {
	per100g: SomeValues;
	intervals: Intervals;
	problems: Problem[];
}

/** Reads `12`, `<1`, `less than 1`; null when it is neither. */
export function readPrinted(text: string): Printed | null {
	const match = /^(<|less than|under)?\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*(?:m?c?g|kcal|cal)?$/i.exec(text.trim());
	return match
		? { value: Number((match[2] ?? '').replace(',', '.')), lessThan: match[1] !== undefined }
		: null;
}

/**
 * Takes one printed line into a reading: the middle and the ends of what rounds to it, times `per100g`. `prints` is what
 * the label prints for an amount, as a number that grows with it.
 */
export function takeLine(
	reading: LabelReading,
	key: CompositionKey,
	line: Printed,
	prints: (value: number) => number,
	per100g: number,
	label: string
): void {
	const interval = roundsTo(line.lessThan ? line.value - LESS_THAN : line.value, prints);
	const { low, high, known } = interval;
	if (!known)
		reading.problems.push({
			path: key,
			message: `${label} does not print ${line.lessThan ? 'less than ' : ''}${line.value}: look at the pack again`
		});
	reading.intervals[key] = [settled(low * per100g), settled(high * per100g)];
	// "Less than" names no value; the middle of what it can be stands for it.
	reading.per100g[key] = settled((line.lessThan ? (low + high) / 2 : line.value) * per100g);
}

/** How far below its number "less than" is kept, so that it stands between the printed steps. */
const LESS_THAN = 0.001;

/** The number in a text a label prints; "less than" one stands just below it. */
export function printedNumber(text: string): number {
	const value = Number(/[\d.]+/.exec(text)?.[0] ?? 0);
	return /<|less than/i.test(text) ? value - LESS_THAN : value;
}

/** The interval a growing step function carries to `printed`; where it never prints it, its own last digit. */
function roundsTo(
	printed: number,
	prints: (value: number) => number
): { low: number; high: number; known: boolean } {
	const edge = (isBelow: (value: number) => boolean): number => {
		let [low, high] = [0, Math.max(1, printed * 2 + 20)];
		if (!isBelow(low)) return low;
		for (let round = 0; round < 60; round++) {
			const middle = (low + high) / 2;
			if (isBelow(middle)) low = middle;
			else high = middle;
		}
		return Number(high.toPrecision(9));
	};
	const low = edge((value) => prints(value) < printed - 1e-9);
	const high = edge((value) => prints(value) <= printed + 1e-9);
	if (Math.abs(prints((low + high) / 2) - printed) < 1e-9) return { low, high, known: true };
	const decimals = (String(printed).split('.')[1] ?? '').length;
	const half = 0.5 * 10 ** -decimals;
	return { low: Math.max(0, printed - half), high: printed + half, known: false };
}
