import { declaredName, readTag } from '../allergens/tags.ts';

/** Something with allergen tags. */
type Tagged = { allergens: readonly string[] };

/**
 * Names a declaration prints for the allergen groups a rule set names: in the order they first appear
 * down the statement, a compound's own in the order stored, each once (section 10). Allergens that
 * only touched the pieces come last.
 */
export function declaredAllergens(
	entries: readonly Tagged[],
	contact: readonly Tagged[],
	groups: readonly string[]
): string[] {
	const texts = new Set<string>();
	for (const entry of [...entries, ...contact]) for (const text of entry.allergens) texts.add(text);
	const names = new Set<string>();
	for (const text of texts) {
		const tag = tagOf(text);
		if (tag && groups.includes(tag.group)) names.add(tag.name);
	}
	return [...names];
}

const MOST_KNOWN = 500;
const known = new Map<string, { group: string; name: string } | null>();

/** The group of a tag and the name it is declared under; the same few tags come with every derivation. */
function tagOf(text: string): { group: string; name: string } | null {
	const before = known.get(text);
	if (before !== undefined) return before;
	const tag = readTag(text);
	const read = tag && { group: tag.group, name: declaredName(tag) };
	if (known.size < MOST_KNOWN) known.set(text, read);
	return read;
}
