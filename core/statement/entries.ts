import { labelName, withoutParenthesis } from '../formula/naming.ts';
import type { Ingredient, Part, RulesName } from '../formula/types.ts';
import type { Share } from '../nutrition/shares.ts';
import { heaviestFirst, type StatementEntry } from '../rules/entry.ts';
import type { RuleSet } from '../rules/ruleset.ts';
import { declaredTags } from './declared.ts';

/**
 * The ingredients of one piece under their label names, heaviest first by the weight that goes in before cooking;
 * equal names are one entry, and so is all added water; ties keep the formula's order (section 9; 21 CFR 101.4(a)).
 */
export function statementEntries(
	shares: readonly Share[],
	ingredientOf: (id: string) => Ingredient,
	rules: RuleSet
): StatementEntry[] {
	return heaviestFirst(
		gathered(
			shares.filter((share) => share.mass_g > 0),
			ingredientOf,
			rules
		)
	);
}

/** Ingredients under their label names, in the order they come, those of one name together. */
export function gathered(
	shares: readonly Share[],
	ingredientOf: (id: string) => Ingredient,
	rules: RuleSet
): StatementEntry[] {
	const entries = new Map<string, StatementEntry>();
	for (const share of shares) {
		const ingredient = ingredientOf(share.ingredient);
		const { name, key, parts } = namedBy(ingredient, rules.name);
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
		for (const tag of declaredTags(ingredient, rules))
			if (!entry.allergens.includes(tag)) entry.allergens.push(tag);
	}
	return [...entries.values()];
}

/** What an ingredient is listed under, and what makes it one with another. */
interface Named {
	name: string;
	key: string;
	parts: Part[];
}

const WATER = 'water';
const known = new WeakMap<Ingredient, Partial<Record<RulesName, Named>>>();

/** What an ingredient is listed under; an ingredient never changes. */
function namedBy(ingredient: Ingredient, rules: RulesName): Named {
	const before = known.get(ingredient) ?? {};
	const found = before[rules];
	if (found) return found;
	const label = labelName(ingredient, rules);
	const name = ingredient.parts.length > 0 ? withoutParenthesis(label) : label;
	const key = ingredient.kind === 'water' ? WATER : keyOf(name);
	const named = { name, key, parts: joinParts([], ingredient.parts) };
	known.set(ingredient, { ...before, [rules]: named });
	return named;
}

const ODD_SPACE = /\s\s|[^\S ]/;

/** What makes two names one: capitals and spaces do not. */
function keyOf(name: string): string {
	const small = name.toLowerCase();
	return ODD_SPACE.test(small) ? small.replace(/\s+/g, ' ') : small;
}

/** The parts of both, each name once, with all that either says is in it. */
function joinParts(first: readonly Part[], second: readonly Part[]): Part[] {
	const joined = new Map<string, Part>();
	for (const part of [...first, ...second]) {
		const key = keyOf(part.name);
		const before = joined.get(key);
		joined.set(key, { name: before?.name ?? part.name, parts: joinParts(before?.parts ?? [], part.parts) });
	}
	return [...joined.values()];
}
