import type { NutrientAmounts } from '../../composition/nutrients.ts';
import { roundTo, settled } from '../../measure/round.ts';
import type { FactorEnergy } from '../../nutrition/energy.ts';

export const TABLE_LINES = [
	'energy',
	'fat',
	'saturates',
	'carbohydrate',
	'sugars',
	'fibre',
	'protein',
	'salt'
] as const;

export type TableKey = (typeof TABLE_LINES)[number];

/** An EU/UK nutrition table column as it prints; null is unknown. */
export type EuTable = Record<TableKey, string | null>;

/**
 * Rounding of the Commission's guidance of December 2012: whole grams from `coarseFrom`, tenths (or
 * hundredths) below it, and "<" at or under `negligible`.
 */
function amount(value: number | null, coarseFrom: number, coarse: number, negligible: number, below: string) {
	if (value === null) return null;
	const exact = settled(value);
	if (exact === 0) return '0 g';
	if (exact <= negligible) return `<${below} g`;
	return `${roundTo(exact, exact >= coarseFrom ? coarse : coarse / 10)} g`;
}

const GRAMS = 0.5;
/** The most of each line that prints as "<", grams per 100 g. */
export const NEGLIGIBLE: Partial<Record<string, number>> = {
	fat: GRAMS,
	saturates: 0.1,
	carbohydrate: GRAMS,
	sugars: GRAMS,
	fibre: GRAMS,
	protein: GRAMS,
	salt: 0.0125
};

const grams = (value: number | null) => amount(value, 10, 1, GRAMS, '0.5');
const saturates = (value: number | null) => amount(value, 10, 1, NEGLIGIBLE.saturates ?? 0, '0.1');
const salt = (value: number | null) => amount(value, 1, 0.1, NEGLIGIBLE.salt ?? 0, '0.01');

/** One column of the table (Regulation 1169/2011 Annex XV; computation, section 8). */
export function euTable(amounts: NutrientAmounts, energy: Pick<FactorEnergy, 'eu_kcal' | 'eu_kJ'>): EuTable {
	const { carbohydrate_g, fibre_g, sodium_mg } = amounts;
	return {
		energy:
			energy.eu_kJ === null || energy.eu_kcal === null
				? null
				: `${roundTo(energy.eu_kJ, 1)} kJ / ${roundTo(energy.eu_kcal, 1)} kcal`,
		fat: grams(amounts.fat_g),
		saturates: saturates(amounts.saturates_g),
		carbohydrate: grams(carbohydrate_g === null || fibre_g === null ? null : carbohydrate_g - fibre_g),
		sugars: grams(amounts.sugars_g),
		fibre: grams(fibre_g),
		protein: grams(amounts.protein_g),
		salt: salt(sodium_mg === null ? null : (sodium_mg * 2.5) / 1000)
	};
}

const CELLS: Record<Exclude<TableKey, 'energy'>, (value: number) => string | null> = {
	fat: grams,
	saturates,
	carbohydrate: grams,
	sugars: grams,
	fibre: grams,
	protein: grams,
	salt
};

/** An amount of a line as it prints; of energy its kcal. */
export function euPrint(key: string, value: number): string {
	if (key === 'energy') return `${roundTo(value, 1)} kcal`;
	return CELLS[key as keyof typeof CELLS](value) ?? '';
}
