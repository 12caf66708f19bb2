import type { Kind } from '../composition/kinds.ts';
import { sumOf } from '../measure/round.ts';
import { bakersFigures } from './bakers.ts';
import { uptakeOf_g } from './surface.ts';
import { isDough, type Ingredient, type Line } from './types.ts';

/** A formula in percent of its flour; null without flour, or where an ingredient's water is unknown. */
export interface FlourShares {
	hydration: number | null;
	effectiveHydration: number | null;
	/** Fat in the dough, and fat between the layers. */
	fat: number | null;
	layeringFat: number | null;
	salt: number | null;
	sugar: number | null;
	leavening: number | null;
	yeast: number | null;
	/** Flour that ferments ahead of the dough, in percent of all flour. */
	prefermented: number | null;
}

export type ShareKey = keyof FlourShares;

/** Every share of the flour, in the order they are shown. */
export const SHARE_KEYS = [
	'hydration',
	'effectiveHydration',
	'fat',
	'layeringFat',
	'salt',
	'sugar',
	'leavening',
	'yeast',
	'prefermented'
] as const satisfies readonly ShareKey[];

/** Stage names that mean a ferment made ahead. */
const PREFERMENT = /sponge|poolish|biga|pre-?ferment|starter|levain|sourdough/i;

/** Whether a stage holds a ferment made ahead of the dough. */
export function isPreferment(stage: string | null): boolean {
	return PREFERMENT.test(stage ?? '');
}

/** Percentages of the flour that a formula is judged by (computation, section 3). Dough lines only, but for the layers. */
export function flourShares(lines: readonly Line[], ingredientOf: (id: string) => Ingredient): FlourShares {
	const dough = lines.filter(isDough);
	const layers = lines.filter((line) => line.use === 'layering');
	const figures = bakersFigures(dough, ingredientOf);
	const { flour_g } = figures;
	const percent = (grams: number) => (flour_g > 0 ? (grams / flour_g) * 100 : null);
	const ofKind = (kind: Kind) =>
		percent(sumOf(dough, (line) => (ingredientOf(line.ingredient).kind === kind ? line.used_g : 0)));
	return {
		hydration: figures.hydration,
		effectiveHydration: figures.effectiveHydration,
		fat: ofKind('fat'),
		layeringFat: percent(
			sumOf(layers, (line) => (ingredientOf(line.ingredient).kind === 'fat' ? uptakeOf_g(line) : 0))
		),
		salt: ofKind('salt'),
		sugar: ofKind('sweetener'),
		leavening: ofKind('leavening'),
		yeast: ofKind('yeast'),
		prefermented: percent(
			sumOf(dough, (line) =>
				ingredientOf(line.ingredient).kind === 'flour' && isPreferment(line.stage) ? line.used_g : 0
			)
		)
	};
}
