import { settled } from '../measure/round.ts';
import { calories, panelLine, type PanelKey } from './us/panel.ts';
import { euTable } from './eu/table.ts';
import type { Problem } from '../problem.ts';
import {
	NUTRIENTS,
	type CompositionKey,
	type NutrientAmounts,
	type SomeValues
} from '../composition/nutrients.ts';

/** The least and the most that rounds to what a label prints. */
export type Interval = [low: number, high: number];
export type Intervals = Partial<Record<CompositionKey, Interval>>;

/** Lines of a US panel in its order, by the value they give. */
export const US_LABEL_LINES = [
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

/** Lines of an EU or UK table, per 100 g; carbohydrate without fibre, and salt for sodium. */
export const EU_LABEL_LINES = [
	'energy_kcal',
	'fat_g',
	'saturates_g',
	'carbohydrate_g',
	'sugars_g',
	'fibre_g',
	'protein_g',
	'salt_g'
] as const;

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

/** What a label says of one line: a number, or "less than" one. */
export interface Printed {
	value: number;
	lessThan: boolean;
}

/** A pack label typed as printed, and what it comes to in 100 g, with what the rounding leaves open. */
export interface LabelReading {
	per100g: SomeValues;
	intervals: Intervals;
	problems: Problem[];
}

/** Reads `12`, `<1`, `less than 1`; null when it is neither. */
export function readPrinted(text: string): Printed | null {
	const match = /^(<|less than|under)?\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*(?:m?c?g|kcal|cal)?$/i.exec(text.trim());
	return match
		? { value: Number((match[2] ?? '').replace(',', '.')), lessThan: match[1] !== undefined }
		: null;
}

/**
 * A US panel per serving of so many grams: value per 100 g = value × 100 / serving, each with the
 * interval that 21 CFR 101.9(c) rounds to it (computation, section 1).
 */
export function readUsLabel(
	printed: Partial<Record<(typeof US_LABEL_LINES)[number], Printed>>,
	serving_g: number
): LabelReading {
	const reading: LabelReading = { per100g: {}, intervals: {}, problems: [] };
	for (const key of US_LABEL_LINES) {
		const line = printed[key];
		if (!line) continue;
		take(reading, key, line, (value) => usPrints(key, value), 100 / serving_g, 'a US panel');
	}
	return reading;
}

/** An EU or UK table per 100 g. Total carbohydrate is its carbohydrate and fibre together; sodium is salt ÷ 2.5. */
export function readEuLabel(
	printed: Partial<Record<(typeof EU_LABEL_LINES)[number], Printed>>
): LabelReading {
	const reading: LabelReading = { per100g: {}, intervals: {}, problems: [] };
	for (const key of EU_LABEL_LINES) {
		const line = printed[key];
		if (!line) continue;
		if (key === 'salt_g') {
			// Salt in g to sodium in mg: ÷ 2.5, × 1000.
			take(reading, 'sodium_mg', line, euPrints('salt'), 400, 'an EU table');
		} else
			take(reading, key, line, key === 'energy_kcal' ? Math.round : euPrints(EU_KEY[key]), 1, 'an EU table');
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

function take(
	reading: LabelReading,
	key: CompositionKey,
	line: Printed,
	prints: (value: number) => number,
	per100g: number,
	label: string
): void {
	const interval = roundsTo(line.lessThan ? line.value - LESS_THAN : line.value, prints);
	const { low, high, known } = interval;
	if (!known)
		reading.problems.push({
			path: key,
			message: `${label} does not print ${line.lessThan ? 'less than ' : ''}${line.value}: look at the pack again`
		});
	reading.intervals[key] = [settled(low * per100g), settled(high * per100g)];
	// "Less than" names no value; the middle of what it can be stands for it.
	reading.per100g[key] = settled((line.lessThan ? (low + high) / 2 : line.value) * per100g);
}

/** How far below its number "less than" is kept, so that it stands between the printed steps. */
const LESS_THAN = 0.001;

/** What a US panel prints for an amount, as a number that grows with it. */
function usPrints(key: CompositionKey, value: number): number {
	const panelKey = PANEL_KEY[key];
	const text = panelKey ? (panelLine(panelKey, value).amount ?? '') : calories(value);
	return printedNumber(text);
}

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

function printedNumber(text: string): number {
	const value = Number(/[\d.]+/.exec(text)?.[0] ?? 0);
	return /<|less than/i.test(text) ? value - LESS_THAN : value;
}

/** The interval a growing step function carries to `printed`; where it never prints it, its own last digit. */
function roundsTo(
	printed: number,
	prints: (value: number) => number
): { low: number; high: number; known: boolean } {
	const edge = (isBelow: (value: number) => boolean): number => {
		let [low, high] = [0, Math.max(1, printed * 2 + 20)];
		if (!isBelow(low)) return low;
		for (let round = 0; round < 60; round++) {
			const middle = (low + high) / 2;
			if (isBelow(middle)) low = middle;
			else high = middle;
		}
		return Number(high.toPrecision(9));
	};
	const low = edge((value) => prints(value) < printed - 1e-9);
	const high = edge((value) => prints(value) <= printed + 1e-9);
	if (Math.abs(prints((low + high) / 2) - printed) < 1e-9) return { low, high, known: true };
	const decimals = (String(printed).split('.')[1] ?? '').length;
	const half = 0.5 * 10 ** -decimals;
	return { low: Math.max(0, printed - half), high: printed + half, known: false };
}
