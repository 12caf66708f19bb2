import { nutrientUnit, type Nutrient } from '../../composition/nutrients.ts';
import type { Product } from '../../formula/types.ts';
import { sumOfTerms, type Figure, type FigureColumn } from '../figure.ts';
import { servingPiecesOf, type PrintedFacts } from '../declarations.ts';
import { panelName } from './format/content.ts';
import { PANEL_LINES, panelNutrient, type PanelKey, type UsPanel } from './panel.ts';
import { panelRule } from './words.ts';

const calories: Figure = {
	key: 'calories',
	name: 'Calories',
	unit: 'kcal',
	of: sumOfTerms([4, 'protein_g'], [4, 'carbohydrate_g'], [9, 'fat_g']),
	formula: '4 · protein + 4 · carbohydrate + 9 · fat',
	...panelRule('calories')
};

function panelFigure(key: PanelKey): Figure {
	const nutrient = panelNutrient(key);
	return {
		key,
		name: panelName(key),
		unit: nutrientUnit(nutrient),
		of: (per100g) => per100g[nutrient],
		formula: null,
		...panelRule(key)
	};
}

/** The figures of a US panel, in the order they print. */
export const US_FIGURES: readonly Figure[] = [calories, ...PANEL_LINES.map(panelFigure)];

/** The panel line of a nutrient, in the nutrient's own unit. */
export function usPrintsOf(nutrient: Nutrient): { key: string; factor: number } | null {
	if (nutrient === 'energy_kcal') return { key: calories.key, factor: 1 };
	const key = PANEL_LINES.find((each) => panelNutrient(each) === nutrient);
	return key === undefined ? null : { key, factor: 1 };
}

/** The columns a panel line prints in; null without a panel. */
export function usColumns(facts: PrintedFacts, product: Product, key: string): FigureColumn[] | null {
	const { serving, panel, panelPiece, panelPackage } = facts;
	if (!serving || !panel) return null;
	const printed = (of: UsPanel) => {
		if (key === 'calories') return { printed: of.calories, dv: null };
		const line = of[key as PanelKey];
		return { printed: line.amount, dv: line.dv };
	};
	return [
		{ heading: 'per serving', times: servingPiecesOf(facts), ...printed(panel) },
		...(panelPiece ? [{ heading: `per ${product.one}`, times: 1, ...printed(panelPiece) }] : []),
		...(panelPackage && product.packPieces !== null
			? [{ heading: 'per container', times: product.packPieces, ...printed(panelPackage) }]
			: [])
	];
}
