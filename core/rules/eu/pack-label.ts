import { NUTRIENTS, type NutrientAmounts } from '../../composition/nutrients.ts';
import { settled } from '../../measure/round.ts';
import { printedNumber, takeLine, type LabelReading, type PackLabel, type Printed } from '../pack-label.ts';
import { euTable } from './table.ts';

/** Lines of an EU or UK table, per 100 g; carbohydrate without fibre, and salt for sodium. */
const LINES = [
	'energy_kcal',
	'fat_g',
	'saturates_g',
	'carbohydrate_g',
	'sugars_g',
	'fibre_g',
	'protein_g',
	'salt_g'
] as const;

/** An EU or UK table per 100 g. Total carbohydrate is its carbohydrate and fibre together; sodium is salt ÷ 2.5. */
export function readEuLabel(printed: Partial<Record<(typeof LINES)[number], Printed>>): LabelReading {
	const reading: LabelReading = { per100g: {}, intervals: {}, problems: [] };
	for (const key of LINES) {
		const line = printed[key];
		if (!line) continue;
		if (key === 'salt_g') {
			// Salt in g to sodium in mg: ÷ 2.5, × 1000.
			takeLine(reading, 'sodium_mg', line, euPrints('salt'), 400, 'an EU table');
		} else
			takeLine(
				reading,
				key,
				line,
				key === 'energy_kcal' ? Math.round : euPrints(EU_KEY[key]),
				1,
				'an EU table'
			);
	}
	const { carbohydrate_g, fibre_g } = reading.per100g;
	const [available, fibre] = [reading.intervals.carbohydrate_g, reading.intervals.fibre_g];
	if (carbohydrate_g != null) {
		if (fibre_g == null || !available || !fibre) {
			// Without fibre the total is not known, and the printed figure would pass for it.
			delete reading.per100g.carbohydrate_g;
			delete reading.intervals.carbohydrate_g;
			reading.problems.push({
				path: 'fibre_g',
				message: 'an EU table’s carbohydrate leaves fibre out: type the fibre too, or the total stays unknown'
			});
		} else {
			reading.per100g.carbohydrate_g = settled(carbohydrate_g + fibre_g);
			reading.intervals.carbohydrate_g = [settled(available[0] + fibre[0]), settled(available[1] + fibre[1])];
		}
	}
	return reading;
}

const EU_KEY = {
	fat_g: 'fat',
	saturates_g: 'saturates',
	carbohydrate_g: 'carbohydrate',
	sugars_g: 'sugars',
	fibre_g: 'fibre',
	protein_g: 'protein'
} as const;

function euPrints(line: 'fat' | 'saturates' | 'carbohydrate' | 'sugars' | 'fibre' | 'protein' | 'salt') {
	return (value: number): number => {
		const amounts = Object.fromEntries(NUTRIENTS.map((nutrient) => [nutrient, 0])) as NutrientAmounts;
		const of = {
			fat: { fat_g: value },
			saturates: { saturates_g: value },
			carbohydrate: { carbohydrate_g: value },
			sugars: { sugars_g: value },
			fibre: { fibre_g: value, carbohydrate_g: value },
			protein: { protein_g: value },
			salt: { sodium_mg: value * 400 }
		}[line];
		return printedNumber(euTable({ ...amounts, ...of }, { eu_kcal: 0, eu_kJ: 0 })[line] ?? '');
	};
}

/** An EU or UK table on a pack. */
export const euPackLabel: PackLabel = { lines: LINES, perServing: false, read: readEuLabel };
