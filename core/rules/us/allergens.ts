import type { Exemption } from '../exemption.ts';

/**
 * Groups of major food allergens: FALCPA (21 U.S.C. 321(qq)) and sesame by the FASTER Act of 2021.
 * Fish, crustaceans and tree nuts are declared by species. Molluscs, coconut and gluten cereals
 * other than wheat are not major allergens there.
 */
export const US_MAJOR_ALLERGENS = [
	'milk',
	'egg',
	'fish',
	'crustacean',
	'treenut',
	'peanut',
	'wheat',
	'soy',
	'sesame'
] as const;

/** The `Contains:` line, or null when there is nothing to declare. */
export function containsText(names: readonly string[]): string | null {
	return names.length > 0 ? `Contains: ${names.join(', ')}.` : null;
}

/** Exemptions a person may meet when choosing tags; everything else keeps its tag. */
export const US_EXEMPTIONS: readonly Exemption[] = [
	{
		what: 'Highly refined oil, such as refined soybean or peanut oil: mark its allergen “highly refined”. Cold-pressed, expelled and extruded oils are not exempt.',
		source: '21 U.S.C. 321(qq)(2)'
	},
	{
		what: 'Rye, barley and oats are not major allergens there; wheat, spelt and durum are.',
		source: '21 U.S.C. 321(qq)(1)'
	}
];
