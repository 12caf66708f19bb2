import { sumOf } from '../measure/round.ts';
import { isDough, type Ingredient, type Line } from './types.ts';

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

/** Baker's percentages of the lines that are dough (computation, section 3). Starches are not flour. */
export function bakersFigures(all: readonly Line[], ingredientOf: (id: string) => Ingredient): BakersFigures {
	const lines = all.filter(isDough);
	const ofKind_g = (kind: Ingredient['kind']) =>
		sumOf(lines, (line) => (ingredientOf(line.ingredient).kind === kind ? line.used_g : 0));
	const flour_g = ofKind_g('flour');
	const percent = (grams: number | null) => (flour_g > 0 && grams !== null ? (grams / flour_g) * 100 : null);
	let waterInside_g: number | null = 0;
	for (const line of lines) {
		const ingredient = ingredientOf(line.ingredient);
		if (ingredient.kind === 'flour' || line.used_g === 0) continue;
		const water = ingredient.per100g.water_g;
		waterInside_g =
			waterInside_g === null || water === null ? null : waterInside_g + (line.used_g * water) / 100;
	}
	return {
		flour_g,
		hydration: percent(ofKind_g('water')),
		effectiveHydration: percent(waterInside_g),
		bakersPercent: lines.map((line) => ({
			ingredient: line.ingredient,
			stage: line.stage,
			percent: percent(line.used_g)
		}))
	};
}
