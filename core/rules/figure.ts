import type { Composition, Nutrient } from '../composition/nutrients.ts';

/** How a printed figure comes from a composition; linear, so that what each ingredient gives adds up to it. */
export interface Figure {
	key: string;
	name: string;
	unit: string;
	/** Of 100 g of an ingredient; null where a value it needs is unknown. */
	of: (per100g: Composition) => number | null;
	/** The values it is made of, where it is not one value itself. */
	formula: string | null;
	/** How it is rounded, in words, and where that is set out. */
	rule: string;
	source: string;
}

export type Term = readonly [factor: number, nutrient: Nutrient];

/** Sum of factor · value; null where any value is unknown. */
export const sumOfTerms =
	(...terms: Term[]) =>
	(per100g: Composition): number | null => {
		let sum = 0;
		for (const [factor, nutrient] of terms) {
			const value = per100g[nutrient];
			if (value === null) return null;
			sum += factor * value;
		}
		return sum;
	};

/** A column a figure prints in. */
export interface FigureColumn {
	heading: string;
	/** What the figure of one piece is multiplied by. */
	times: number;
	printed: string | null;
	/** % Daily Value, where one prints. */
	dv: string | null;
}
