import { sumOf } from '../measure/round.ts';
import type { DoughLine, Ingredient } from './types.ts';

export interface BakersFigures {
	/** Total of the flour kind in dough lines. */
	flour_g: number;
	/** Percent of flour; null without flour. */
	hydration: number | null;
	/** As hydration, with the water inside every non-flour dough ingredient; null where one is unknown. */
	effectiveHydration: number | null;
	/** One entry per dough line, in order; percent of flour, null without flour. */
	bakersPercent: { ingredient: string; stage: string | null; percent: number | null }[];
}

/** Baker's percentages of the dough lines (computation, section 3). Starches are not flour. */
export function bakersFigures(
	lines: readonly DoughLine[],
	ingredientOf: (id: string) => Ingredient
): BakersFigures {
	const isKind = (kind: Ingredient['kind']) => (line: DoughLine) =>
		ingredientOf(line.ingredient).kind === kind;
	const flour_g = sumOf(lines.filter(isKind('flour')), (line) => line.grams);
	const percent = (grams: number | null) => (flour_g > 0 && grams !== null ? (grams / flour_g) * 100 : null);
	let waterInside_g: number | null = 0;
	for (const line of lines) {
		const ingredient = ingredientOf(line.ingredient);
		if (ingredient.kind === 'flour' || line.grams === 0) continue;
		const water = ingredient.per100g.water_g ?? null;
		waterInside_g =
			waterInside_g === null || water === null ? null : waterInside_g + (line.grams * water) / 100;
	}
	return {
		flour_g,
		hydration: percent(sumOf(lines.filter(isKind('water')), (line) => line.grams)),
		effectiveHydration: percent(waterInside_g),
		bakersPercent: lines.map((line) => ({
			ingredient: line.ingredient,
			stage: line.stage ?? null,
			percent: percent(line.grams)
		}))
	};
}
