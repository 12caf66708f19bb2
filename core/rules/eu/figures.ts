import type { Nutrient } from '../../composition/nutrients.ts';
import type { Product } from '../../formula/types.ts';
import { sumOfTerms, type Figure, type FigureColumn, type Term } from '../figure.ts';
import type { PrintedFacts } from '../declarations.ts';
import { TABLE_LABELS } from './format.ts';
import { TABLE_LINES, type TableKey } from './table.ts';
import { tableRule } from './words.ts';

/** Grams of salt that a milligram of sodium stands for (Regulation 1169/2011 Annex I). */
const SALT_G_PER_MG = 0.0025;

const LINES: Record<TableKey, { unit: string; terms: Term[]; formula: string | null }> = {
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
	salt: { unit: 'g', terms: [[SALT_G_PER_MG, 'sodium_mg']], formula: 'sodium × 2.5' }
};

/** The figures of an EU/UK table, in the order they print. */
export const EU_FIGURES: readonly Figure[] = TABLE_LINES.map((key) => {
	const { unit, terms, formula } = LINES[key];
	return { key, name: TABLE_LABELS[key].text, unit, of: sumOfTerms(...terms), formula, ...tableRule(key) };
});

const LINE_OF: Partial<Record<Nutrient, TableKey>> = {
	energy_kcal: 'energy',
	fat_g: 'fat',
	saturates_g: 'saturates',
	carbohydrate_g: 'carbohydrate',
	sugars_g: 'sugars',
	fibre_g: 'fibre',
	protein_g: 'protein',
	sodium_mg: 'salt'
};

/** The line of the table a nutrient prints in: sodium as salt, energy in kcal. */
export function euPrintsOf(nutrient: Nutrient): { key: string; factor: number } | null {
	const key = LINE_OF[nutrient];
	return key === undefined ? null : { key, factor: key === 'salt' ? SALT_G_PER_MG : 1 };
}

/** The columns a line of the table prints in; null without a table. */
export function euColumns(facts: PrintedFacts, product: Product, key: string): FigureColumn[] | null {
	const finished_g = facts.yield.finishedWeight_g;
	if (!facts.table || finished_g === null) return null;
	const { per100g, perPiece } = facts.table;
	return [
		{ heading: 'per 100 g', times: 100 / finished_g, printed: per100g[key as TableKey], dv: null },
		{ heading: `per ${product.one}`, times: 1, printed: perPiece[key as TableKey], dv: null }
	];
}
