import { isDeclarable } from '../allergens/contact.ts';
import { allergenName } from '../allergens/contact-words.ts';
import { isEmphasised } from './eu/emphasis.ts';
import type { RuleSet } from './ruleset.ts';

/** Whether a label names an allergen: declared, emphasised in its list, or as what it may contain. */
export function saysAllergen(
	content: { declaration: string | null; statement: string | null; mayContain: string | null },
	tag: string
): boolean {
	const names = new Set(
		[
			...(content.declaration ?? '').replace(/^[^:]*:/, '').split(','),
			...(content.mayContain ?? '').replace(/^[^:]*:/, '').split(',')
		].map((name) => name.replace(/[*.]/g, '').trim().toLowerCase())
	);
	return names.has(allergenName(tag).toLowerCase()) || isEmphasised(content.statement ?? '', tag);
}

/**
 * The line that says what may have come along, `**` around what is emphasised; null without any.
 * Neither rule set prescribes its wording: it is voluntary, must not mislead, and is never in place
 * of cleaning (Regulation 1169/2011 art. 36; 21 U.S.C. 343(a)).
 */
export function mayContainText(rules: RuleSet, tags: readonly string[]): string | null {
	const names = tags.filter((tag) => isDeclarable(tag, rules.allergenGroups)).map(rules.mayContainName);
	return names.length > 0 ? `May contain: ${[...new Set(names)].join(', ')}.` : null;
}
