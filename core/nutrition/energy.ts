import type { NutrientAmounts } from '../composition/nutrients.ts';
import { settled } from '../measure/round.ts';
import type { Notice } from '../problem.ts';

/** Energy by the factors of each rule set; null where a nutrient it needs is unknown. */
export interface FactorEnergy {
	us_kcal: number | null;
	eu_kcal: number | null;
	eu_kJ: number | null;
}

/**
 * Energy from protein, fat, carbohydrate and fibre: 4-4-9 for a US panel (21 CFR 101.9(c)(1)(i)(B));
 * 17-17-37-8 kJ and 4-4-9-2 kcal with fibre apart for an EU/UK table (Regulation 1169/2011 Annex XIV).
 */
export function factorEnergy(amounts: NutrientAmounts): FactorEnergy {
	const { protein_g: protein, fat_g: fat, carbohydrate_g: carbohydrate, fibre_g: fibre } = amounts;
	if (protein === null || fat === null || carbohydrate === null)
		return { us_kcal: null, eu_kcal: null, eu_kJ: null };
	const us_kcal = 4 * protein + 4 * carbohydrate + 9 * fat;
	if (fibre === null) return { us_kcal, eu_kcal: null, eu_kJ: null };
	const available = carbohydrate - fibre;
	return {
		us_kcal,
		eu_kcal: 4 * protein + 4 * available + 9 * fat + 2 * fibre,
		eu_kJ: 17 * protein + 17 * available + 37 * fat + 8 * fibre
	};
}

/** Said when the ingredient tables' energy and the 4-4-9 figure differ by more than 10 % (section 5). */
export function energyNotices(table_kcal: number | null, us_kcal: number | null): Notice[] {
	if (table_kcal === null || us_kcal === null) return [];
	if (settled(Math.abs(table_kcal - us_kcal)) <= settled(0.1 * us_kcal)) return [];
	return [
		{
			code: 'energy-difference',
			message: `the ingredient tables give ${Math.round(table_kcal)} kcal a piece and protein, carbohydrate and fat give ${Math.round(us_kcal)}: look for a wrong value`,
			ingredient: null
		}
	];
}
