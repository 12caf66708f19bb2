import { nutrientUnit, type Composition, type Nutrient } from '../composition/nutrients.ts';
import type { RulesName } from '../formula/types.ts';
import { TABLE_LABELS } from '../rules/eu/format.ts';
import { panelName } from '../rules/us/format/content.ts';
import { PANEL_LINES, panelNutrient, type PanelKey } from '../rules/us/panel.ts';
import { panelRule } from '../rules/us/words.ts';
import { TABLE_LINES } from '../rules/eu/table.ts';
import { tableRule } from '../rules/eu/words.ts';

export type TableKey = (typeof TABLE_LINES)[number];
/** A figure of a panel or table that can be asked about. */
export type FigureKey = 'calories' | PanelKey | TableKey;

/** How a figure comes from a composition; linear, so that what each ingredient gives adds up to it. */
export interface Figure {
	key: FigureKey;
	name: string;
	unit: string;
	/** Of 100 g of an ingredient; null where a value it needs is unknown. */
	of: (per100g: Composition) => number | null;
	/** The values it is made of, where it is not one value itself. */
	formula: string | null;
	rule: string;
	source: string;
}

type Term = readonly [factor: number, nutrient: Nutrient];

/** Sum of factor · value; null where any value is unknown. */
const sumOfTerms =
	(...terms: Term[]) =>
	(per100g: Composition): number | null => {
		let sum = 0;
		for (const [factor, nutrient] of terms) {
			const value = per100g[nutrient] ?? null;
			if (value === null) return null;
			sum += factor * value;
		}
		return sum;
	};

const TABLE: Record<TableKey, { unit: string; terms: Term[]; formula: string | null }> = {
	energy: {
		unit: 'kcal',
		terms: [
			[4, 'protein_g'],
			[4, 'carbohydrate_g'],
			[-2, 'fibre_g'],
			[9, 'fat_g']
		],
		formula: '4 · protein + 4 · (carbohydrate − fibre) + 9 · fat + 2 · fibre; in kJ by 17, 17, 37 and 8'
	},
	fat: { unit: 'g', terms: [[1, 'fat_g']], formula: null },
	saturates: { unit: 'g', terms: [[1, 'saturates_g']], formula: null },
	carbohydrate: {
		unit: 'g',
		terms: [
			[1, 'carbohydrate_g'],
			[-1, 'fibre_g']
		],
		formula: 'total carbohydrate − fibre'
	},
	sugars: { unit: 'g', terms: [[1, 'sugars_g']], formula: null },
	fibre: { unit: 'g', terms: [[1, 'fibre_g']], formula: null },
	protein: { unit: 'g', terms: [[1, 'protein_g']], formula: null },
	salt: { unit: 'g', terms: [[0.0025, 'sodium_mg']], formula: 'sodium × 2.5' }
};

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
		of: (per100g) => per100g[nutrient] ?? null,
		formula: null,
		...panelRule(key)
	};
}

/** The figures of a rule set's panel or table, in the order they print. */
export function figuresOf(rules: RulesName): Figure[] {
	if (rules === 'us') return [calories, ...PANEL_LINES.map(panelFigure)];
	return TABLE_LINES.map((key) => {
		const { unit, terms, formula } = TABLE[key];
		return { key, name: TABLE_LABELS[key].text, unit, of: sumOfTerms(...terms), formula, ...tableRule(key) };
	});
}
