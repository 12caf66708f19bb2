/** The nutrients followed through a batch, in the order the Square Batch file lists them. */
export const NUTRIENTS = [
	'water_g',
	'energy_kcal',
	'protein_g',
	'fat_g',
	'saturates_g',
	'transFat_g',
	'cholesterol_mg',
	'carbohydrate_g',
	'fibre_g',
	'sugars_g',
	'addedSugars_g',
	'sodium_mg',
	'calcium_mg',
	'iron_mg',
	'potassium_mg',
	'vitaminD_ug'
] as const;

export type Nutrient = (typeof NUTRIENTS)[number];

/** What may be stored of an ingredient: the nutrients, and ash for checking that the parts add up. */
export const COMPOSITION_KEYS = [...NUTRIENTS, 'ash_g'] as const;

export type CompositionKey = (typeof COMPOSITION_KEYS)[number];

/** An amount of each nutrient; null is unknown, never zero. */
export type NutrientAmounts = Record<Nutrient, number | null>;

/** Per 100 g of an ingredient as used; null is unknown, never zero. */
export type Composition = Record<CompositionKey, number | null>;

/** What one source says of an ingredient per 100 g: what it leaves out is unknown. */
export type SomeValues = Partial<Composition>;

/** The whole composition that some values come to: what they leave out is unknown. */
export function compositionOf(values: SomeValues): Composition {
	return Object.fromEntries(COMPOSITION_KEYS.map((key) => [key, values[key] ?? null])) as Composition;
}

const WORDS: Record<CompositionKey, string> = {
	water_g: 'water',
	energy_kcal: 'energy',
	protein_g: 'protein',
	fat_g: 'fat',
	saturates_g: 'saturated fat',
	transFat_g: 'trans fat',
	cholesterol_mg: 'cholesterol',
	carbohydrate_g: 'carbohydrate',
	fibre_g: 'fibre',
	sugars_g: 'sugars',
	addedSugars_g: 'added sugars',
	sodium_mg: 'sodium',
	calcium_mg: 'calcium',
	iron_mg: 'iron',
	potassium_mg: 'potassium',
	vitaminD_ug: 'vitamin D',
	ash_g: 'ash'
};

/** The nutrient in plain words, without its unit. */
export function nutrientWord(key: CompositionKey): string {
	return WORDS[key];
}

/** The unit the key ends in: g, mg, kcal, or mcg for micrograms. */
export function nutrientUnit(key: CompositionKey): string {
	const unit = key.slice(key.lastIndexOf('_') + 1);
	return unit === 'ug' ? 'mcg' : unit;
}

/** The most of it that 100 g can hold, in its own unit; above it a value is a slip of the pen. */
export function mostPer100g(key: CompositionKey): number {
	switch (nutrientUnit(key)) {
		case 'mg':
			return 100_000;
		case 'mcg':
			return 100_000_000;
		// Pure fat is 902 kcal in the reference table; nothing edible holds more than 1000.
		case 'kcal':
			return 1000;
		default:
			return 100;
	}
}
