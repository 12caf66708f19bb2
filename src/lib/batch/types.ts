import type { Cooking } from '$core/formula/process.ts';
import type { BatchLine as CoreBatchLine, BatchMeasured } from '$core/bench/batch.ts';
import type { Facts } from '$core/facts.ts';
import type { MixGap, Recipe } from '$core/formula/types.ts';
import type { Problem } from '$core/problem.ts';
import type { Closing } from '$core/squaring/closings.ts';
import type { BatchStock } from '../shelf/lots.ts';
import type { Trial } from './trial.ts';
import type { ValueSource } from '../shelf/sources.ts';

/** A line of a batch: what was planned, and what was weighed where it was. */
export interface BatchLine extends CoreBatchLine {
	name: string;
}

/** What names a batch, and how much of it there is. */
export interface NamedBatch {
	id: string;
	code: string;
	productId: string;
	formulaId: string;
	/** The formula's name. */
	name: string;
	formulaNumber: number;
	madeOn: string;
	ballWeight_g: number;
	packPieces: number;
	packsMade: number;
	packsLeft: number;
	/** How it is cooked where that is not as its formula says; null where it is. */
	cooking: Cooking | null;
	/** Tried out by other lines than its version's: it says nothing of how the formula goes. */
	isTrial: boolean;
}

/** What the record of a batch says besides what was measured. */
export interface BatchRecord extends NamedBatch {
	/** The label revision it was packed under; null where none was approved then. */
	labelNumber: number | null;
	/** Version of the formula that revision was approved for. */
	labelFormulaNumber: number | null;
	/** Time of day it was begun, `09:30`; null while nobody noted it. */
	beganAt: string | null;
	/** Time of day it last used its equipment; null while nobody noted it. */
	usedUntil: string | null;
	version: number;
	mixGap: MixGap;
	servingPieces: number | null;
	price: string | null;
	note: string;
	/** What it was promised to be, where it is a trial; null where it is none. */
	trial: Trial | null;
	packsSold: number;
	/** Gone without being sold: given, tasted at the stall, written off. */
	packsGiven: number;
}

/** One making of a product, with everything measured and derived. */
export interface Batch extends BatchRecord, BatchMeasured {
	/** Ids of the equipment it touches. */
	equipment: string[];
	/** Whether anything was weighed; until then every figure is the plan's. */
	recorded: boolean;
	lines: BatchLine[];
	/** Oldest first; the first closed it, each later one is a correction. Empty while it is open. */
	closed: BatchClosing[];
	/** What it uses that lots were kept of when it was made, and the lots it came from. */
	stock: BatchStock[];
	facts: Facts | null;
	problems: Problem[];
	closings: Closing[];
	recipe: Recipe;
	/** Where the values the batch was made with come from, by ingredient id. */
	sources: Record<string, ValueSource>;
}

/** A closing of a batch: what stood when it was closed, or is corrected to. */
export interface BatchClosing {
	number: number;
	/** Why it was closed though it does not square, or why it is corrected; empty where it squared. */
	reason: string;
	closedAt: string;
	input: BatchInput;
	recipe: Recipe;
	facts: Facts;
	stages: Closing[];
}

/** What was measured, as a person records it at the desk. */
export interface BatchInput extends BatchMeasured {
	madeOn: string;
	/** Left out, what is noted of it stays. */
	beganAt?: string | null;
	usedUntil?: string | null;
	equipment?: string[];
	ballWeight_g: number;
	servingPieces: number | null;
	note: string;
	/** `grams` null where nobody weighed it: what is planned is no weighing. */
	lines: { id: string; grams: number | null; uptake_g: number | null }[];
}
