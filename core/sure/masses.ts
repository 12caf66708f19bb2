import type { Facts } from '../facts.ts';
import { uptakeIsAssumed, uptakeOf_g } from '../formula/surface.ts';
import { ingredientsOf, isDough, type Line, type Recipe } from '../formula/types.ts';
import { mean } from '../measure/round.ts';
import { standardDeviation } from '../measure/spread.ts';
import type { Assumptions, BatchFigures } from './assumptions.ts';
import { fixed, type Sampler } from './sampler.ts';

/** Batches from which their own spread is taken; fewer take twice that of the family. */
export const ENOUGH_BATCHES = 3;

/** A line's grams, or what stays on of a surface material: what it is called, and whether the scale read it. */
export interface LineGrams {
	name: string;
	sampler: Sampler;
	isRead: boolean;
}

/** How the grams of a line may come out. */
export function lineSampler(line: Line, index: number, given: Assumptions): LineGrams {
	const name = `line ${index}`;
	const reading = given.lines.get(index);
	const grams = isDough(line) ? line.used_g : uptakeOf_g(line);
	if (reading?.kind === 'said') {
		const mode = Math.min(Math.max(reading.typical_g ?? grams, reading.low_g), reading.high_g);
		const sampler: Sampler = { kind: 'triangular', low: reading.low_g, mode, high: reading.high_g };
		return { name, sampler, isRead: false };
	}
	if (uptakeIsAssumed(line) && line.used_g > 0) {
		const sampler: Sampler = { kind: 'uniform', low: 0, high: line.used_g };
		return { name: `uptake ${index}`, sampler, isRead: false };
	}
	if (grams === 0) return { name, sampler: fixed(0), isRead: false };
	return { name, sampler: readOff(grams, given, reading?.tared ? 2 : 1), isRead: true };
}

const readOff = (value: number, { scale }: Assumptions, readings: 1 | 2 = 1): Sampler =>
	scale.division_g === 0 ? fixed(value) : { kind: 'scale', value, division: scale.division_g, readings };

/** A mean, and whether it was read off the scale rather than taken from a sample. */
interface MeanWeight {
	sampler: Sampler;
	isRead: boolean;
}

/** The mean ball of a batch: of the sample that was weighed, or as stated. */
export function ballSampler(
	weights_g: readonly number[],
	{ pieces, ballWeight_g }: Pick<Facts['yield'], 'pieces' | 'ballWeight_g'>,
	given: Assumptions
): MeanWeight {
	return ofSample(weights_g, ballWeight_g, pieces, given);
}

/** The mean finished piece of a batch, likewise. */
export function finishedSampler(
	weights_g: readonly number[],
	finishedWeight_g: number,
	pieces: number,
	given: Assumptions
): MeanWeight {
	return ofSample(weights_g, finishedWeight_g, pieces, given);
}

/** x̄ + t · s/√m · √((n − m)/n) of m weighed of n; of fewer than two, the stated value as the scale reads it. */
function ofSample(
	weights_g: readonly number[],
	stated_g: number,
	pieces: number,
	given: Assumptions
): MeanWeight {
	const sd = standardDeviation(weights_g);
	const middle = mean(weights_g);
	const m = weights_g.length;
	if (sd === null || middle === null) return { sampler: readOff(stated_g, given), isRead: true };
	const left = Math.sqrt(Math.max(0, pieces - m) / pieces);
	const scale = (sd / Math.sqrt(m)) * left;
	return {
		sampler: scale === 0 ? fixed(middle) : { kind: 'student', mean: middle, scale, degrees: m - 1 },
		isRead: false
	};
}

/** What a coming batch may bring; null where this batch's own figure stands, or nothing is known of it. */
export interface Coming {
	ball: Sampler | null;
	cookLoss: Sampler | null;
	water: LineGrams | null;
	/** Position of the line that is water; −1 without one. */
	waterLine: number;
}

const NOTHING_COMING: Coming = { ball: null, cookLoss: null, water: null, waterLine: -1 };

/** What a coming batch may bring, for the question about the label. */
export function coming(given: Assumptions, recipe: Recipe, yielded: Facts['yield']): Coming {
	if (given.question === 'batch') return NOTHING_COMING;
	const ingredientOf = ingredientsOf(recipe);
	const waterLine = recipe.formula.lines.findIndex(
		(line) => isDough(line) && ingredientOf(line.ingredient).kind === 'water'
	);
	const line = recipe.formula.lines[waterLine];
	const water = line ? betweenBatches('water_g', given, line.used_g) : null;
	return {
		ball: betweenBatches('ballWeight_g', given, yielded.ballWeight_g),
		cookLoss: betweenBatches('cookLoss', given, yielded.cookLoss),
		water: water && { name: 'water by feel', sampler: water, isRead: false },
		waterLine
	};
}

/**
 * mean + t · s · √(1 + 1/n) over the batches that say it; of fewer than three twice the pooled spread about their
 * mean, or about `planned` without any. Null where neither a batch nor a spread is known.
 */
function betweenBatches(
	key: keyof BatchFigures,
	{ batches, pooled }: Assumptions,
	planned: number | null
): Sampler | null {
	const known = batches.map((batch) => batch[key]).filter((value) => value !== null);
	const middle = mean(known);
	const sd = standardDeviation(known);
	const n = known.length;
	if (n >= ENOUGH_BATCHES && middle !== null && sd !== null)
		return sd === 0
			? fixed(middle)
			: { kind: 'student', mean: middle, scale: sd * Math.sqrt(1 + 1 / n), degrees: n - 1 };
	const spread = pooled[key];
	const about = middle ?? (spread === null ? null : planned);
	if (about === null) return null;
	return spread ? { kind: 'normal', mean: about, sd: 2 * spread } : fixed(about);
}
