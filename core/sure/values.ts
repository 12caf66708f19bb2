import type { Nutrient } from '../composition/nutrients.ts';
import type { Ingredient } from '../formula/types.ts';
import { fixed, type Sampler } from './sampler.ts';

/** Where the values of an ingredient come from, by how sure they are. */
export const SOURCES = ['table', 'label', 'supplier', 'laboratory', 'estimate'] as const;
export type Source = (typeof SOURCES)[number];

/** What is known of one value beyond its source: its coefficient of variation, or what its printed figure leaves open. */
export interface KnownValue {
	ingredient: string;
	nutrient: Nutrient;
	cv: number | null;
	range: { low: number; high: number } | null;
}

/**
 * Coefficients of variation of a reference table's values about those of the material at hand (section 15). Added
 * sugars are sugars. Carbohydrate has none: it is what the others leave. Table energy is not printed.
 */
export const TABLE_CV: Readonly<Record<Nutrient, number>> = {
	water_g: 0.04,
	energy_kcal: 0,
	protein_g: 0.06,
	fat_g: 0.08,
	saturates_g: 0.12,
	transFat_g: 0.3,
	cholesterol_mg: 0.15,
	carbohydrate_g: 0,
	fibre_g: 0.2,
	sugars_g: 0.2,
	addedSugars_g: 0.2,
	sodium_mg: 0.1,
	calcium_mg: 0.15,
	iron_mg: 0.15,
	potassium_mg: 0.12,
	vitaminD_ug: 0.3
};

/** Of what is nearly nothing else, the value hardly varies. */
const NEARLY_ALL_CV = 0.01;
const NEARLY_ALL_G = 95;
/** A supplier's or a laboratory's value where its uncertainty is not stated. */
export const STATED_CV = 0.05;

/** Spreads a kitchen assumes in place of the table's, as fractions. */
export type AssumedCvs = Partial<Record<Nutrient, number>>;

/** The reference table's coefficient of variation of one value of an ingredient. */
export function tableCv(
	{ kind, per100g }: Pick<Ingredient, 'kind' | 'per100g'>,
	nutrient: Nutrient,
	assumed: AssumedCvs = {}
): number {
	const isNearlyAll =
		(nutrient === 'sodium_mg' && kind === 'salt') ||
		((nutrient === 'sugars_g' || nutrient === 'addedSugars_g') &&
			kind === 'sweetener' &&
			(per100g.sugars_g ?? 0) >= NEARLY_ALL_G) ||
		(nutrient === 'fat_g' && (per100g.fat_g ?? 0) >= NEARLY_ALL_G);
	return isNearlyAll ? NEARLY_ALL_CV : (assumed[nutrient] ?? TABLE_CV[nutrient]);
}

/** How one value of an ingredient may come out; what nobody knows stays as it is. */
export function valueSampler(
	ingredient: Ingredient,
	nutrient: Nutrient,
	source: Source,
	known: KnownValue | undefined,
	assumed: AssumedCvs
): Sampler {
	const value = ingredient.per100g[nutrient] ?? 0;
	const table = tableCv(ingredient, nutrient, assumed);
	if (known?.range) return { kind: 'pack', ...known.range, cv: known.cv ?? table / 2 };
	const cv = known?.cv ?? cvOf(source, nutrient, table);
	return cv === 0 || value === 0 ? fixed(value) : { kind: 'lognormal', value, cv };
}

function cvOf(source: Source, nutrient: Nutrient, table: number): number {
	switch (source) {
		case 'table':
			return table;
		case 'label':
			return table / 2;
		case 'estimate':
			return table * 2;
		case 'supplier':
		case 'laboratory':
			return TABLE_CV[nutrient] === 0 ? 0 : STATED_CV;
	}
}
