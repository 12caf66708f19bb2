import type { CompositionKey } from '../../composition/nutrients.ts';
import { printedNumber, takeLine, type LabelReading, type PackLabel, type Printed } from '../pack-label.ts';
import { calories, panelLine, type PanelKey } from './panel.ts';

/** Lines of a US panel in its order, by the value they give. */
const LINES = [
	'energy_kcal',
	'fat_g',
	'saturates_g',
	'transFat_g',
	'cholesterol_mg',
	'sodium_mg',
	'carbohydrate_g',
	'fibre_g',
	'sugars_g',
	'addedSugars_g',
	'protein_g',
	'vitaminD_ug',
	'calcium_mg',
	'iron_mg',
	'potassium_mg'
] as const satisfies readonly CompositionKey[];

const PANEL_KEY: Partial<Record<CompositionKey, PanelKey>> = {
	fat_g: 'totalFat',
	saturates_g: 'saturatedFat',
	transFat_g: 'transFat',
	cholesterol_mg: 'cholesterol',
	sodium_mg: 'sodium',
	carbohydrate_g: 'totalCarbohydrate',
	fibre_g: 'dietaryFiber',
	sugars_g: 'totalSugars',
	addedSugars_g: 'addedSugars',
	protein_g: 'protein',
	vitaminD_ug: 'vitaminD',
	calcium_mg: 'calcium',
	iron_mg: 'iron',
	potassium_mg: 'potassium'
};

/**
 * A US panel per serving of so many grams: value per 100 g = value × 100 / serving, each with the
 * interval that 21 CFR 101.9(c) rounds to it (computation, section 1).
 */
export function readUsLabel(
	printed: Partial<Record<(typeof LINES)[number], Printed>>,
	serving_g: number
): LabelReading {
	const reading: LabelReading = { per100g: {}, intervals: {}, problems: [] };
	for (const key of LINES) {
		const line = printed[key];
		if (!line) continue;
		takeLine(reading, key, line, (value) => usPrints(key, value), 100 / serving_g, 'a US panel');
	}
	return reading;
}

/** What a US panel prints for an amount, as a number that grows with it. */
function usPrints(key: CompositionKey, value: number): number {
	const panelKey = PANEL_KEY[key];
	const text = panelKey ? (panelLine(panelKey, value).amount ?? '') : calories(value);
	return printedNumber(text);
}

/** A US panel on a pack. */
export const usPackLabel: PackLabel = { lines: LINES, perServing: true, read: readUsLabel };
