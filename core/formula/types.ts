import type { Composition, Nutrient } from '../composition/nutrients.ts';
import type { Kind } from '../composition/kinds.ts';

/** How a line enters the product; all but `dough` are surface materials (computation, section 3). */
export const USES = ['dough', 'dusting', 'layering', 'brushing', 'bowl', 'griddle', 'garnish'] as const;
export type Use = (typeof USES)[number];
export type SurfaceUse = Exclude<Use, 'dough'>;

/** A part of a compound ingredient as its label names it, nested as needed. */
export interface Part {
	name: string;
	parts: Part[];
}

/** What was paid for how much. */
export interface Price {
	/** Decimal string in the kitchen's currency. */
	amount: string;
	grams: number;
	/** Share that can be used, 0 to 1. */
	usable: number;
}

export interface Ingredient {
	id: string;
	name: string;
	kind: Kind;
	/** What a label calls it by each rule set; null where the name itself is used. */
	label: Record<RulesName, string | null>;
	parts: Part[];
	per100g: Composition;
	/** Tags of section 10; null while nobody has confirmed them. */
	allergens: string[] | null;
	/** Which of these tags come from a highly refined oil. */
	refined: string[];
	/** Nutrients that were added to it: an enriched flour's iron. */
	added: Nutrient[];
	/** Null where nobody noted what it costs. */
	price: Price | null;
}

/** One line of a formula, or of a batch as it was made. */
export interface Line {
	ingredient: string;
	use: Use;
	/** Null where the formula names no stages. */
	stage: string | null;
	/** Grams that go into the mix, or of a surface material what is used up. */
	used_g: number;
	/** Of a surface material, what ends up on or in the pieces; null takes the share usual for its use. */
	uptake_g: number | null;
}

export const CATEGORIES = ['tortilla', 'flatbread', 'taco-shell'] as const;
export type Category = (typeof CATEGORIES)[number];

export type MixGap = 'residue' | 'evaporation';

export interface Material {
	name: string;
	/** Decimal string in the kitchen's currency. */
	cost: string;
}

/** A formula made at one ball weight, packed in one size. */
export interface Product {
	/** One piece in the maker's words ("roti"), and several ("roti"). */
	one: string;
	many: string;
	category: Category;
	/** As planned; null where a number of balls is planned instead. */
	ballWeight_g: number | null;
	/** Balls planned; null where as many are made as the dough gives. */
	balls: number | null;
	/** Null where nothing is packed. */
	packPieces: number | null;
	materials: Material[];
	/** The maker's choice where the serving rule leaves one; null for its default. */
	servingPieces: number | null;
}

/** What was measured while making it. */
export interface Measured {
	doughWeight_g: number | null;
	/** Samples; their mean stands before the planned ball weight. */
	ballWeights_g: number[];
	/** Balls counted. */
	balls: number | null;
	/** Samples, cooled, as packed. */
	finishedWeights_g: number[];
	rejects: number;
}

/** Nothing was measured yet. */
export const NOT_MEASURED: Measured = {
	doughWeight_g: null,
	ballWeights_g: [],
	balls: null,
	finishedWeights_g: [],
	rejects: 0
};

/** The rule sets there are: whose law a label follows. */
export const RULES_NAMES = ['us', 'eu'] as const;
export type RulesName = (typeof RULES_NAMES)[number];

/** Everything a batch is derived from. */
export interface Recipe {
	rules: RulesName;
	/** ISO 4217. */
	currency: string;
	ingredients: Ingredient[];
	formula: {
		name: string;
		lines: Line[];
		/** What becomes of the gap between what is weighed in and the dough. */
		mixGap: MixGap;
	};
	product: Product;
	measured: Measured;
}

/** The recipe's ingredients by id. The function it returns throws for an id that is not defined. */
export function ingredientsOf(recipe: Pick<Recipe, 'ingredients'>): (id: string) => Ingredient {
	const known = new Map(recipe.ingredients.map((ingredient) => [ingredient.id, ingredient]));
	return (id) => {
		const ingredient = known.get(id);
		if (!ingredient) throw new Error(`ingredient ${id} is not defined`);
		return ingredient;
	};
}

/** Whether a line is weighed into the mix. */
export const isDough = (line: Pick<Line, 'use'>): boolean => line.use === 'dough';

/** Grams of the dough lines together. */
export function doughMass_g(lines: readonly Pick<Line, 'use' | 'used_g'>[]): number {
	let sum = 0;
	for (const line of lines) if (line.use === 'dough') sum += line.used_g;
	return sum;
}
