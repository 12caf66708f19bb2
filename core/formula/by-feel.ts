import { mean, settled, sumOf } from '../measure/round.ts';
import { standardDeviation } from '../measure/spread.ts';
import { bakersFigures } from './bakers.ts';
import { isDough, type Ingredient, type Line } from './types.ts';

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
	/** What each of them took, the newest first. */
	each_g: number[];
}

/** So many of the newest batches say what is usual. */
const NEWEST = 6;

/** Of a surface material the most is what is set out, and says nothing of how it is taken. */
export const isFelt = (line: Pick<FeltLine, 'toWeigh' | 'most_g' | 'use'>): boolean =>
	line.toWeigh || (line.most_g !== null && isDough(line));

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
		const each_g = shares.map(({ used }) => used * base_g);
		taken.push({ line: whole, mean_g, sd_g: standardDeviation(each_g), batches: shares.length, each_g });
		return whole;
	});
	return { lines: filled, taken, without };
}

/**
 * A formula's lines at the least and at the most that is planned of those by feel, before any batch tells: what is kept
 * back, and water that names no grams by its family's usual hydration (percent of flour). Null where nothing is open.
 */
export function plannedRange<L extends FeltLine>(
	lines: readonly L[],
	ingredientOf: (id: string) => Ingredient,
	hydration: { low: number; high: number } | null
): { low: L[]; high: L[] } | null {
	const open = lines.findIndex(
		(line) =>
			line.toWeigh &&
			isDough(line) &&
			settled(line.used_g) <= 0 &&
			ingredientOf(line.ingredient).kind === 'water'
	);
	const figures = bakersFigures(lines.filter(isDough), ingredientOf);
	const water_g = (percent: number) =>
		Math.max(0, ((percent - (figures.hydration ?? 0)) / 100) * figures.flour_g);
	const isOpen = open >= 0 && hydration !== null && figures.flour_g > 0;
	if (!isOpen && lines.every((line) => line.most_g === null || !isDough(line))) return null;
	const at = (end: 'low' | 'high') =>
		lines.map((line, index) => {
			if (index === open && isOpen) return { ...line, used_g: water_g(hydration[end]) };
			return end === 'high' && line.most_g !== null && isDough(line)
				? { ...line, used_g: line.most_g }
				: line;
		});
	return { low: at('low'), high: at('high') };
}
