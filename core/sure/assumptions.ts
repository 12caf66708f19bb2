import type { Nutrient } from '../composition/nutrients.ts';
import type { AssumedCvs, KnownValue, Source } from './values.ts';

/** What is asked: what is in the bags of this batch, or what any later bag of the formula version will hold. */
export const QUESTIONS = ['batch', 'label'] as const;
export type Question = (typeof QUESTIONS)[number];

/** Draws that are made where nobody asks for another number. */
export const USUAL_DRAWS = 100_000;

/** How the grams of a line came about. */
export type LineReading =
	/** Read off the scale, after a tare or without one. */
	| { kind: 'weighed'; tared: boolean }
	/** Never weighed: what its measure leaves open. */
	| {
			kind: 'said';
			low_g: number;
			high_g: number;
			/** What it most likely is; null where that is what the recipe has. */
			typical_g: number | null;
	  };

/** What differs from batch to batch; null where a batch did not say. */
export interface BatchFigures {
	/** A fraction. */
	cookLoss: number | null;
	/** Mean ball. */
	ballWeight_g: number | null;
	/** What the water line took, where it is added by feel. */
	water_g: number | null;
}

/** All that is assumed of how sure the figures of a recipe are. */
export interface Assumptions {
	question: Question;
	/** Whether a laboratory's own reproducibility is added, where the rules do not hold it already. */
	laboratory: boolean;
	scale: { division_g: number; /** Relative standard deviation of its own error. */ calibration: number };
	/** By position among the formula's lines; weighed once without a tare where nothing is said. */
	lines: ReadonlyMap<number, LineReading>;
	/** By ingredient; the reference table where nothing is said. */
	sources: ReadonlyMap<string, Source>;
	values: readonly KnownValue[];
	/** Nutrients that were added to an ingredient, beside those it says itself. */
	added: readonly { ingredient: string; nutrient: Nutrient }[];
	/** Batches of the formula that squared. */
	batches: readonly BatchFigures[];
	/** Spread from batch to batch of the family, where fewer than three batches are known. */
	pooled: BatchFigures;
	/** Spreads of table values that are assumed in place of the usual. */
	cvs: AssumedCvs;
}

export const NO_BATCH_FIGURES: BatchFigures = { cookLoss: null, ballWeight_g: null, water_g: null };

/** What is assumed where nobody said anything. */
export const USUAL_ASSUMPTIONS: Assumptions = {
	question: 'batch',
	laboratory: true,
	scale: { division_g: 1, calibration: 0.001 },
	lines: new Map(),
	sources: new Map(),
	values: [],
	added: [],
	batches: [],
	pooled: NO_BATCH_FIGURES,
	cvs: {}
};
