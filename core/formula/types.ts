import type { Composition } from '../composition/nutrients.ts';
import type { Kind } from '../composition/kinds.ts';

/** How a line enters the product; all but `dough` are surface materials (computation, section 3). */
export const USES = ['dough', 'dusting', 'layering', 'brushing', 'bowl', 'griddle', 'garnish'] as const;
export type Use = (typeof USES)[number];
export type SurfaceUse = Exclude<Use, 'dough'>;

/** A part of a compound ingredient as its label names it, nested as needed. */
export interface Part {
	name: string;
	parts?: Part[];
}

/** What was paid for how much; `usable` is the share that can be used, 0 to 1. */
export interface Price {
	/** Decimal string in the file's currency. */
	amount: string;
	grams: number;
	usable?: number;
}

export interface Ingredient {
	id: string;
	name: string;
	kind: Kind;
	label?: { us?: string; eu?: string };
	parts?: Part[];
	per100g: Composition;
	/** Tags of section 10; null or absent while nobody has confirmed them. */
	allergens?: string[] | null;
	price?: Price;
}

/** A line weighed into the mix. */
export interface DoughLine {
	ingredient: string;
	use: 'dough';
	stage?: string | null;
	grams: number;
}

/** A surface material: what was used up, and what of it is on or in the pieces. */
export interface SurfaceLine {
	ingredient: string;
	use: SurfaceUse;
	stage?: string | null;
	consumed_g: number;
	/** Absent: the default share of its use, flagged as an assumption until weighed. */
	uptake_g?: number;
}

export type Line = DoughLine | SurfaceLine;

export const CATEGORIES = ['tortilla', 'flatbread', 'taco-shell'] as const;
export type Category = (typeof CATEGORIES)[number];

export interface Piece {
	/** One piece in the maker's words ("roti"), and several ("roti"). */
	one: string;
	many: string;
	category: Category;
	ballWeight_g?: number;
	count?: number;
}

export type MixGap = 'residue' | 'evaporation';

/** What was measured while making it. */
export interface Measured {
	doughWeight_g?: number;
	mixGap?: MixGap;
	ballWeights_g?: number[];
	finishedWeights_g?: number[];
	rejects?: number;
	servingPieces?: number;
}

export interface Material {
	name: string;
	/** Decimal string in the file's currency. */
	cost: string;
}

export interface Pack {
	pieces: number;
	materials?: Material[];
}

export type RulesName = 'us' | 'eu';

/** Everything a batch is derived from: the content of a Square Batch file. */
export interface Recipe {
	squareBatch: 1;
	rules: RulesName;
	currency: string;
	ingredients: Ingredient[];
	formula: { name: string; lines: Line[] };
	piece: Piece;
	batch?: Measured;
	pack?: Pack;
}
