import { declaredName, readTag } from '../allergens/tags.ts';
import type { StatementEntry } from './entry.ts';

/**
 * Names a declaration prints for the allergen groups a rule set names: in the order they first appear
 * down the statement, a compound's own in the order stored, each once (section 10). Allergens that
 * only touched the pieces come last.
 */
export function declaredAllergens(
	entries: readonly StatementEntry[],
	contactAllergens: readonly string[],
	groups: readonly string[]
): string[] {
	const texts = new Set<string>();
	for (const entry of entries) for (const text of entry.allergens) texts.add(text);
	for (const text of contactAllergens) texts.add(text);
	const names = new Set<string>();
	for (const text of texts) {
		const tag = readTag(text);
		if (tag && groups.includes(tag.group)) names.add(declaredName(tag));
	}
	return [...names];
}
