import type { Ingredient, Part, RulesName } from '../formula/types.ts';
import { settled, sumOf } from '../measure/round.ts';
import type { Share } from '../nutrition/shares.ts';

/** One ingredient as a statement lists it: a label name, its parts, and its mass in one piece. */
export interface StatementEntry {
	name: string;
	parts: Part[];
	mass_g: number;
	/** Ingredient ids gathered under this name. */
	ingredients: string[];
	/** Allergen tags of those ingredients, in the order stored; unconfirmed ones add none. */
	allergens: string[];
	/** Whether all of it is added water. */
	isWater: boolean;
}

/** What the label calls an ingredient; its own name in lower case where no label name is set. */
export function labelName(ingredient: Ingredient, rules: RulesName): string {
	return ingredient.label?.[rules]?.trim() || ingredient.name.trim().toLowerCase();
}

/** A label name without its last parenthesis, which the parts of a compound take the place of. */
export function withoutParenthesis(name: string): string {
	if (!name.endsWith(')')) return name;
	let depth = 0;
	for (let at = name.length - 1; at >= 0; at--) {
		if (name[at] === ')') depth++;
		else if (name[at] === '(' && --depth === 0) return name.slice(0, at).trim() || name;
	}
	return name;
}

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
		const parts = ingredient.parts ?? [];
		const label = labelName(ingredient, rules);
		const name = parts.length > 0 ? withoutParenthesis(label) : label;
		const key = name.toLowerCase().replace(/\s+/g, ' ');
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

/** Sorted by mass, heaviest first; equal masses stay in the order they came. */
export function heaviestFirst(entries: readonly StatementEntry[]): StatementEntry[] {
	return entries.toSorted((a, b) => settled(b.mass_g) - settled(a.mass_g));
}

/** The parts of both, each name once. */
function joinParts(first: readonly Part[], second: readonly Part[]): Part[] {
	const joined = [...first];
	for (const part of second)
		if (!joined.some((known) => known.name.toLowerCase() === part.name.toLowerCase())) joined.push(part);
	return joined;
}

/** The entry as it prints: its name, and its parts in parentheses, nested as needed. */
export function entryText(entry: { name: string; parts?: Part[] }): string {
	if (!entry.parts || entry.parts.length === 0) return entry.name;
	return `${entry.name} (${entry.parts.map(entryText).join(', ')})`;
}

/** Grams of all entries together. */
export function entriesMass_g(entries: readonly StatementEntry[]): number {
	return sumOf(entries, (entry) => entry.mass_g);
}

/** A statement as a sentence: first letter a capital, full stop at the end. */
export function sentence(text: string): string {
	if (text === '') return '';
	// Emphasis marks may stand before the first letter.
	const capitalised = text.replace(
		/^(\**)(\p{L})/u,
		(_, marks: string, letter: string) => marks + letter.toUpperCase()
	);
	return capitalised.endsWith('.') ? capitalised : `${capitalised}.`;
}
