import { isDough, type Ingredient, type Line, type Part, type RulesName } from './types.ts';
import { sumOf } from '../measure/round.ts';
import { bakersFigures } from './bakers.ts';
import { labelName, withoutParenthesis } from './naming.ts';
import { COMPOSITION_KEYS, type Composition } from '../composition/nutrients.ts';

/** A line of a mix of the maker's own: a premix, a starter. */
export interface MixLine {
	ingredient: string;
	grams: number;
}

/** What follows from a mix's own lines. */
export interface MixFacts {
	grams: number;
	per100g: Composition;
	/** Null while any part's allergens are not confirmed. */
	allergens: string[] | null;
	/** Which of these come from highly refined oils alone. */
	refined: string[];
	parts: Part[];
}

/**
 * Composition, allergens and parts of a sub-recipe: the mass-weighted sum of its own lines
 * (computation, section 1). Heaviest part first; a value that any part lacks is unknown.
 */
export function mixFacts(
	lines: readonly MixLine[],
	ingredientOf: (id: string) => Ingredient,
	rules: RulesName
): MixFacts {
	const present = lines.filter((line) => line.grams > 0);
	const grams = sumOf(present, (line) => line.grams);
	const heaviest = present.toSorted((a, b) => b.grams - a.grams).map((line) => ingredientOf(line.ingredient));
	const per100g = Object.fromEntries(
		COMPOSITION_KEYS.map((key) => {
			let total = 0;
			for (const line of present) {
				const value = ingredientOf(line.ingredient).per100g[key];
				if (value === null) return [key, null];
				total += line.grams * value;
			}
			return [key, grams > 0 ? total / grams : null];
		})
	) as Composition;
	const confirmed = heaviest.every((ingredient) => ingredient.allergens);
	return {
		grams,
		per100g,
		allergens: confirmed ? [...new Set(heaviest.flatMap((ingredient) => ingredient.allergens ?? []))] : null,
		refined: [...new Set(heaviest.flatMap((ingredient) => ingredient.refined))].filter((tag) =>
			heaviest.every(({ allergens, refined }) => !allergens?.includes(tag) || refined.includes(tag))
		),
		parts: partsOf(heaviest, rules)
	};
}

/** Parts by label name, each once; a part that is a compound carries its own parts. */
function partsOf(heaviest: readonly Ingredient[], rules: RulesName): Part[] {
	const parts = new Map<string, Part>();
	for (const ingredient of heaviest) {
		const label = labelName(ingredient, rules);
		const name = ingredient.parts.length > 0 ? withoutParenthesis(label) : label;
		if (!parts.has(name.toLowerCase())) parts.set(name.toLowerCase(), { name, parts: ingredient.parts });
	}
	return [...parts.values()];
}

/**
 * Lines with each mix in the dough opened into what it is made of, by its share of the mix and as deep as mixes go: the
 * flour in a premix is flour. For percentages of the flour; a statement and an account keep the mix as it is.
 */
export function openedMixes<L extends Pick<Line, 'ingredient' | 'use' | 'used_g'>>(
	lines: readonly L[],
	mixOf: (id: string) => readonly MixLine[] | undefined
): L[] {
	return lines.flatMap((line) => {
		const made = line.use === 'dough' ? (mixOf(line.ingredient) ?? []) : [];
		const all_g = sumOf(made, (part) => part.grams);
		if (all_g <= 0) return [line];
		const parts = made.map((part) => ({
			...line,
			ingredient: part.ingredient,
			used_g: (line.used_g * part.grams) / all_g
		}));
		return openedMixes(parts, mixOf);
	});
}

/** What percentages need to look into mixes: their lines, and the ingredients of these. */
export interface MixParts {
	mixes: Readonly<Record<string, readonly MixLine[]>>;
	ingredients: readonly Ingredient[];
}

/**
 * Water of the lines in percent of their flour, both also where they are within a mix; null without flour, or where an ingredient is not known. The lines'
 * own ingredients come first: a batch's are as they were when it was made.
 */
export function openedHydration(
	lines: readonly Line[],
	own: readonly Ingredient[],
	{ mixes, ingredients }: MixParts
): number | null {
	const known = new Map([...ingredients, ...own].map((each) => [each.id, each]));
	const opened = openedMixes(lines, (id) => mixes[id]).filter(isDough);
	if (!opened.every((line) => known.has(line.ingredient))) return null;
	return bakersFigures(opened, (id) => known.get(id) as Ingredient).hydration;
}

/**
 * The path by which a mix would hold itself, ids from the mix back to it; null when it does not.
 * `partsOf` gives the ids a mix is made of, none for what is bought.
 */
export function mixCycle(
	id: string,
	lines: readonly MixLine[],
	partsOfMix: (id: string) => readonly string[]
): string[] | null {
	const seen = new Set<string>();
	const walk = (at: string, path: string[]): string[] | null => {
		if (at === id) return [...path, at];
		if (seen.has(at)) return null;
		seen.add(at);
		for (const part of partsOfMix(at)) {
			const found = walk(part, [...path, at]);
			if (found) return found;
		}
		return null;
	};
	for (const line of lines) {
		const found = walk(line.ingredient, [id]);
		if (found) return found;
	}
	return null;
}
