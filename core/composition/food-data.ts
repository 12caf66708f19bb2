import type { Measures } from '../measure/convert.ts';
import { unitNamed } from '../measure/units.ts';
import type { Outcome } from '../problem.ts';
import type { Composition, CompositionKey } from './nutrients.ts';

/** One food of the public US food composition database, as its JSON says it. */
export interface FoodData {
	name: string;
	/** The database's own number of the food. */
	number: string;
	/** What kind of record it is, such as `SR Legacy` or `Branded`. */
	dataType: string;
	per100g: Composition;
	measures: Measures;
	/** The label's ingredient list, where the record carries one. */
	ingredientText: string;
}

/** The database's nutrient numbers of what is kept here; the first that is given counts. */
const NUMBERS: Record<CompositionKey, string[]> = {
	water_g: ['255'],
	energy_kcal: ['208', '957', '958'],
	protein_g: ['203'],
	fat_g: ['204', '298'],
	saturates_g: ['606'],
	transFat_g: ['605'],
	cholesterol_mg: ['601'],
	carbohydrate_g: ['205', '205.2'],
	fibre_g: ['291', '293'],
	sugars_g: ['269', '269.3'],
	addedSugars_g: ['539'],
	sodium_mg: ['307'],
	calcium_mg: ['301'],
	iron_mg: ['303'],
	potassium_mg: ['306'],
	vitaminD_ug: ['328'],
	ash_g: ['207']
};

/** Vitamin D in international units: 40 to the microgram. */
const VITAMIN_D_IU = '324';
const IU_PER_UG = 40;

type Loose = Record<string, unknown>;
const isObject = (value: unknown): value is Loose =>
	typeof value === 'object' && value !== null && !Array.isArray(value);
const list = (value: unknown): Loose[] => (Array.isArray(value) ? value.filter(isObject) : []);
const text = (value: unknown): string =>
	typeof value === 'string' || typeof value === 'number' ? String(value) : '';

/**
 * Reads the JSON that database exports for one food, in its full or its abridged form: values per 100 g,
 * and its household portions. What it does not give stays unknown.
 */
export function readFoodData(given: unknown): Outcome<FoodData> {
	const refuse = (message: string): Outcome<FoodData> => ({ ok: false, problems: [{ path: '', message }] });
	if (!isObject(given)) return refuse('this is not the JSON of one food');
	const name = text(given.description).trim();
	const nutrients = list(given.foodNutrients);
	if (!name || nutrients.length === 0)
		return refuse('this is not the JSON of one food: it has no "description" or no "foodNutrients"');
	const amounts = new Map<string, number>();
	for (const entry of nutrients) {
		const nutrient = isObject(entry.nutrient) ? entry.nutrient : entry;
		const number = text(nutrient.number ?? entry.nutrientNumber).trim();
		const amount = entry.amount ?? entry.value;
		const unit = text(nutrient.unitName).toLowerCase();
		if (number && typeof amount === 'number' && Number.isFinite(amount) && amount >= 0 && unit !== 'kj')
			amounts.set(number, amount);
	}
	const per100g = Object.fromEntries(
		(Object.entries(NUMBERS) as [CompositionKey, string[]][]).map(([key, numbers]) => {
			const found = numbers.find((number) => amounts.has(number));
			return [key, found === undefined ? null : (amounts.get(found) ?? null)];
		})
	) as Composition;
	const iu = amounts.get(VITAMIN_D_IU);
	if (per100g.vitaminD_ug == null && iu !== undefined) per100g.vitaminD_ug = iu / IU_PER_UG;
	return {
		ok: true,
		value: {
			name,
			number: text(given.fdcId ?? given.ndbNumber),
			dataType: text(given.dataType),
			per100g,
			measures: portions(given),
			ingredientText: text(given.ingredients)
		}
	};
}

/** Household portions with a unit known here: grams of one. */
function portions(given: Loose): Measures {
	const measures: Measures = {};
	for (const portion of list(given.foodPortions)) {
		const grams = Number(portion.gramWeight);
		const amount = Number(portion.amount ?? portion.value ?? 1);
		const measureUnit = isObject(portion.measureUnit) ? text(portion.measureUnit.name) : '';
		const spoken = [
			measureUnit,
			text(portion.modifier),
			text(portion.portionDescription).replace(/^[\d.\s]+/, '')
		];
		// "cup, sifted" is another cup: only the plain measure is taken.
		const unit = spoken.map((words) => unitNamed(words)).find((found) => found);
		if (!unit || unit.kind === 'mass' || !(grams > 0) || !(amount > 0) || measures[unit.name]) continue;
		const each = grams / amount;
		measures[unit.name] = { grams: each, low: each, high: each };
	}
	return measures;
}
