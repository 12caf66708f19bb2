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
