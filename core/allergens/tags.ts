/** Tags that stand alone (computation, section 10). */
export const PLAIN_TAGS = [
	'wheat',
	'rye',
	'barley',
	'oats',
	'milk',
	'egg',
	'peanut',
	'soy',
	'sesame',
	'celery',
	'mustard',
	'lupin',
	'sulphite',
	'coconut'
] as const;

/** Tags that carry the species after a colon, such as `treenut:almond`. */
export const NAMED_TAGS = ['fish', 'crustacean', 'mollusc', 'treenut'] as const;

/** An allergen tag taken apart: its group, and the species where the group needs one. */
export interface AllergenTag {
	group: string;
	species: string | null;
}

/** The tag taken apart, or null when it is none the rules know. */
export function readTag(tag: string): AllergenTag | null {
	if ((PLAIN_TAGS as readonly string[]).includes(tag)) return { group: tag, species: null };
	const [group, ...rest] = tag.split(':');
	const species = rest.join(':').trim();
	if (group && (NAMED_TAGS as readonly string[]).includes(group) && species) return { group, species };
	return null;
}

/** The name a declaration prints for a tag: `Wheat`, `Brazil Nut`. */
export function declaredName(tag: AllergenTag): string {
	return (tag.species ?? tag.group).replace(
		/(^|[\s-])(\p{L})/gu,
		(_, before: string, letter: string) => before + letter.toUpperCase()
	);
}
