import { isDeclarable } from '../allergens/contact.ts';
import { allergenName } from '../allergens/contact-words.ts';
import { declaredName, readTag } from '../allergens/tags.ts';
import type { RulesName } from '../formula/types.ts';
import { EU_ANNEX_II } from './eu/allergens.ts';
import { US_MAJOR_ALLERGENS } from './us/allergens.ts';

/** Whether a label names an allergen: declared, emphasised in its list, or as what it may contain. */
export function saysAllergen(
	content: { declaration: string | null; statement: string | null; mayContain: string | null },
	tag: string
): boolean {
	const names = new Set(
		[
			...(content.declaration ?? '').replace(/^[^:]*:/, '').split(','),
			...(content.mayContain ?? '').replace(/^[^:]*:/, '').split(','),
			...(content.statement?.match(/\*\*.+?\*\*/g) ?? [])
		].map((name) => name.replace(/[*.]/g, '').trim().toLowerCase())
	);
	return names.has(allergenName(tag).toLowerCase());
}

/** Allergen groups a rule set has declared. */
export const DECLARED_GROUPS: Record<RulesName, readonly string[]> = {
	us: US_MAJOR_ALLERGENS,
	eu: EU_ANNEX_II
};

/**
 * The line that says what may have come along, `**` around what is emphasised; null without any.
 * Neither rule set prescribes its wording: it is voluntary, must not mislead, and is never in place
 * of cleaning (Regulation 1169/2011 art. 36; 21 U.S.C. 343(a)).
 */
export function mayContainText(rules: RulesName, tags: readonly string[]): string | null {
	const names = tags.flatMap((text) => {
		const tag = readTag(text);
		if (!tag || !isDeclarable(text, DECLARED_GROUPS[rules])) return [];
		return rules === 'us' ? [declaredName(tag)] : [`**${tag.species ?? tag.group}**`];
	});
	return names.length > 0 ? `May contain: ${[...new Set(names)].join(', ')}.` : null;
}
