import { labelName, withoutParenthesis } from '../formula/naming.ts';
import type { Ingredient, Part, RulesName } from '../formula/types.ts';
import type { Share } from '../nutrition/shares.ts';
import { heaviestFirst, type StatementEntry } from '../rules/entry.ts';

/**
 * The ingredients of one piece under their label names, heaviest first by the weight that goes in
 * before cooking; equal names are one entry, and ties keep the formula's order (section 9;
 * 21 CFR 101.4(a)).
 */
export function statementEntries(
	shares: readonly Share[],
	ingredientOf: (id: string) => Ingredient,
	rules: RulesName
): StatementEntry[] {
	const entries = new Map<string, StatementEntry>();
	for (const share of shares) {
		if (share.mass_g <= 0) continue;
		const ingredient = ingredientOf(share.ingredient);
		const { parts } = ingredient;
		const { name, key } = namedBy(ingredient, rules);
		const entry = entries.get(key) ?? {
			name,
			parts: [],
			mass_g: 0,
			ingredients: [],
			allergens: [],
			isWater: true
		};
		entries.set(key, entry);
		entry.mass_g += share.mass_g;
		entry.parts = joinParts(entry.parts, parts);
		entry.isWater = entry.isWater && ingredient.kind === 'water';
		if (!entry.ingredients.includes(ingredient.id)) entry.ingredients.push(ingredient.id);
		for (const tag of ingredient.allergens ?? [])
			if (!entry.allergens.includes(tag)) entry.allergens.push(tag);
	}
	return heaviestFirst([...entries.values()]);
}

const known = new WeakMap<Ingredient, Partial<Record<RulesName, { name: string; key: string }>>>();

/** What an ingredient is listed under, and what makes it one with another; an ingredient never changes. */
function namedBy(ingredient: Ingredient, rules: RulesName): { name: string; key: string } {
	const before = known.get(ingredient) ?? {};
	const found = before[rules];
	if (found) return found;
	const label = labelName(ingredient, rules);
	const name = ingredient.parts.length > 0 ? withoutParenthesis(label) : label;
	const named = { name, key: keyOf(name) };
	known.set(ingredient, { ...before, [rules]: named });
	return named;
}

const ODD_SPACE = /\s\s|[^\S ]/;

/** What makes two names one: capitals and spaces do not. */
function keyOf(name: string): string {
	const small = name.toLowerCase();
	return ODD_SPACE.test(small) ? small.replace(/\s+/g, ' ') : small;
}

/** The parts of both, each name once. */
function joinParts(first: Part[], second: readonly Part[]): Part[] {
	if (second.length === 0) return first;
	if (first.length === 0) return [...second];
	const joined = [...first];
	for (const part of second)
		if (!joined.some((known) => known.name.toLowerCase() === part.name.toLowerCase())) joined.push(part);
	return joined;
}
