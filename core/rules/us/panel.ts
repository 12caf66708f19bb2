import type { Nutrient, NutrientAmounts } from '../../composition/nutrients.ts';
import { roundTo, settled } from '../../measure/round.ts';

/** One printed line: the amount with its unit, and the % Daily Value where one prints. */
export interface PanelLine {
	amount: string | null;
	dv: string | null;
}

/** The lines of a US panel after calories, in the order they print (21 CFR 101.9(c)). */
export const PANEL_LINES = [
	'totalFat',
	'saturatedFat',
	'transFat',
	'cholesterol',
	'sodium',
	'totalCarbohydrate',
	'dietaryFiber',
	'totalSugars',
	'addedSugars',
	'protein',
	'vitaminD',
	'calcium',
	'iron',
	'potassium'
] as const;

export type PanelKey = (typeof PANEL_LINES)[number];

/** A US panel for one serving, piece or package, as it prints; null amounts are unknown. */
export type UsPanel = { calories: string | null } & Record<PanelKey, PanelLine>;

interface LineRule {
	nutrient: Nutrient;
	amount: (value: number) => string;
	/** Daily Value in the nutrient's unit; null where no percentage prints. */
	dailyValue: number | null;
	percent?: (percent: number) => number;
}

/** 21 CFR 101.9(c)(2): below 0.5 g nothing, then half grams, from 5 g whole grams. */
const fat = (value: number) => {
	if (settled(value) < 0.5) return '0g';
	return `${roundTo(value, settled(value) < 5 ? 0.5 : 1)}g`;
};

/** 21 CFR 101.9(c)(6)–(7): below 0.5 g nothing, below 1 g said so, then whole grams. */
const grams = (value: number) => {
	if (settled(value) < 0.5) return '0g';
	if (settled(value) < 1) return 'less than 1g';
	return `${roundTo(value, 1)}g`;
};

/** 21 CFR 101.9(c)(3). */
const cholesterol = (value: number) => {
	if (settled(value) < 2) return '0mg';
	if (settled(value) <= 5) return 'less than 5mg';
	return `${roundTo(value, 5)}mg`;
};

/** 21 CFR 101.9(c)(4). */
const sodium = (value: number) => {
	if (settled(value) < 5) return '0mg';
	return `${roundTo(value, settled(value) <= 140 ? 5 : 10)}mg`;
};

const nearest = (step: number, unit: string) => (value: number) => `${roundTo(value, step)}${unit}`;

/** % Daily Value of vitamins and minerals, 21 CFR 101.9(c)(8)(iii); the band is decided before rounding. */
const mineralPercent = (percent: number) => {
	const exact = settled(percent);
	if (exact < 2) return 0;
	return roundTo(exact, exact <= 10 ? 2 : exact <= 50 ? 5 : 10);
};

const RULES: Record<PanelKey, LineRule> = {
	totalFat: { nutrient: 'fat_g', amount: fat, dailyValue: 78 },
	saturatedFat: { nutrient: 'saturates_g', amount: fat, dailyValue: 20 },
	transFat: { nutrient: 'transFat_g', amount: fat, dailyValue: null },
	cholesterol: { nutrient: 'cholesterol_mg', amount: cholesterol, dailyValue: 300 },
	sodium: { nutrient: 'sodium_mg', amount: sodium, dailyValue: 2300 },
	totalCarbohydrate: { nutrient: 'carbohydrate_g', amount: grams, dailyValue: 275 },
	dietaryFiber: { nutrient: 'fibre_g', amount: grams, dailyValue: 28 },
	totalSugars: { nutrient: 'sugars_g', amount: grams, dailyValue: null },
	addedSugars: { nutrient: 'addedSugars_g', amount: grams, dailyValue: 50 },
	protein: { nutrient: 'protein_g', amount: grams, dailyValue: null },
	vitaminD: { nutrient: 'vitaminD_ug', amount: nearest(0.1, 'mcg'), dailyValue: 20, percent: mineralPercent },
	calcium: { nutrient: 'calcium_mg', amount: nearest(10, 'mg'), dailyValue: 1300, percent: mineralPercent },
	iron: { nutrient: 'iron_mg', amount: nearest(0.1, 'mg'), dailyValue: 18, percent: mineralPercent },
	potassium: {
		nutrient: 'potassium_mg',
		amount: nearest(10, 'mg'),
		dailyValue: 4700,
		percent: mineralPercent
	}
};

/** Nutrient behind a panel line, such as `sodium_mg` of `sodium`. */
export function panelNutrient(key: PanelKey): Nutrient {
	return RULES[key].nutrient;
}

/** Calories as they print, 21 CFR 101.9(c)(1): below 5 nothing, to 50 by fives, then by tens. */
export function calories(energy_kcal: number): string {
	if (settled(energy_kcal) < 5) return '0';
	return String(roundTo(energy_kcal, settled(energy_kcal) <= 50 ? 5 : 10));
}

/** One line of the panel from an unrounded amount; unknown prints nothing. */
export function panelLine(key: PanelKey, value: number | null): PanelLine {
	if (value === null) return { amount: null, dv: null };
	const rule = RULES[key];
	const percent = rule.percent ?? ((exact: number) => roundTo(exact, 1));
	return {
		amount: rule.amount(value),
		dv: rule.dailyValue === null ? null : `${percent((value / rule.dailyValue) * 100)}%`
	};
}

const NOTHING_PRINTS = {
	calories: null,
	...(Object.fromEntries(PANEL_LINES.map((key) => [key, panelLine(key, null)])) as Record<
		PanelKey,
		PanelLine
	>)
};

/** The panel of unrounded amounts per serving, piece or package; energy by the 4-4-9 factors. */
export function usPanel(amounts: NutrientAmounts, energy_kcal: number | null): UsPanel {
	const panel: UsPanel = { ...NOTHING_PRINTS, calories: energy_kcal === null ? null : calories(energy_kcal) };
	for (const key of PANEL_LINES) panel[key] = panelLine(key, amounts[RULES[key].nutrient]);
	return panel;
}
