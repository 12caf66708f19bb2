import { mean, settled, sumOf } from '../measure/round.ts';
import { standardDeviation } from '../measure/spread.ts';
import { isDough, type Line } from './types.ts';

/** A line that names no amount, or keeps some back: what a batch really takes of it is only known afterwards. */
export interface FeltLine extends Line {
	toWeigh: boolean;
	most_g: number | null;
}

/** What a batch took of such a line, as a share of what its other dough lines weighed. */
export interface TakenShare {
	/** Which line it is, whatever version of the formula: what, how used, in which stage, the how manieth of these. */
	key: string;
	used: number;
	/** What of a surface material stayed on; null where that was not weighed. */
	uptake: number | null;
}

/** A line as its batches took it. */
export interface TakenLine<L> {
	line: L;
	mean_g: number;
	/** Null of one batch. */
	sd_g: number | null;
	batches: number;
}

/** So many of the newest batches say what is usual. */
const NEWEST = 6;

export const isFelt = (line: Pick<FeltLine, 'toWeigh' | 'most_g'>): boolean =>
	line.toWeigh || line.most_g !== null;

/** Keys of lines, in their order. */
function keysOf(lines: readonly Pick<Line, 'ingredient' | 'use' | 'stage'>[]): string[] {
	const seen = new Map<string, number>();
	return lines.map(({ ingredient, use, stage }) => {
		const what = `${ingredient} ${use} ${stage ?? ''}`;
		const number = (seen.get(what) ?? 0) + 1;
		seen.set(what, number);
		return `${what} ${number}`;
	});
}

/** Grams of the dough lines whose amount is named. */
const namedDough_g = (lines: readonly FeltLine[]): number =>
	sumOf(
		lines.filter((line) => isDough(line) && !isFelt(line)),
		(line) => line.used_g
	);

/** What a batch took of its lines by feel; `weighed` says which of them somebody weighed. */
export function takenShares(lines: readonly (FeltLine & { weighed: boolean })[]): TakenShare[] {
	const base_g = namedDough_g(lines);
	if (base_g <= 0) return [];
	const keys = keysOf(lines);
	return lines.flatMap((line, index) =>
		isFelt(line) && line.weighed
			? {
					key: keys[index] ?? '',
					used: line.used_g / base_g,
					uptake: line.uptake_g === null ? null : line.uptake_g / base_g
				}
			: []
	);
}

/**
 * A formula's lines with the mean of what its batches took where it is by feel or to be weighed (computation, sections
 * 4 and 9). `batches` are those that square, newest first. A line that has no grams from anywhere is among `without`:
 * what is derived of the others would say too little.
 */
export function asTaken<L extends FeltLine>(
	lines: readonly L[],
	batches: readonly (readonly TakenShare[])[]
): { lines: L[]; taken: TakenLine<L>[]; without: L[] } {
	const base_g = namedDough_g(lines);
	const keys = keysOf(lines);
	const [taken, without]: [TakenLine<L>[], L[]] = [[], []];
	const filled = lines.map((line, index) => {
		if (!isFelt(line)) return line;
		const shares = batches
			.flatMap((batch) => batch.filter(({ key }) => key === keys[index]))
			.slice(0, NEWEST);
		const mean_g = base_g > 0 ? mean(shares.map(({ used }) => used * base_g)) : null;
		if (mean_g === null) {
			if (settled(line.used_g) <= 0) without.push(line);
			return line;
		}
		const stayed = shares.flatMap(({ uptake }) => (uptake === null ? [] : uptake * base_g));
		const whole = {
			...line,
			used_g: mean_g,
			uptake_g: isDough(line) || stayed.length < shares.length ? line.uptake_g : mean(stayed)
		};
		taken.push({
			line: whole,
			mean_g,
			sd_g: standardDeviation(shares.map(({ used }) => used * base_g)),
			batches: shares.length
		});
		return whole;
	});
	return { lines: filled, taken, without };
}
