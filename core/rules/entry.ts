import type { Part } from '../formula/types.ts';
import { settled, sumOf } from '../measure/round.ts';

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

/** Sorted by mass, heaviest first; equal masses stay in the order they came. */
export function heaviestFirst(entries: readonly StatementEntry[]): StatementEntry[] {
	return entries
		.map((entry) => ({ entry, mass_g: settled(entry.mass_g) }))
		.sort((a, b) => b.mass_g - a.mass_g)
		.map(({ entry }) => entry);
}

/** Grams of all entries together. */
export function entriesMass_g(entries: readonly StatementEntry[]): number {
	return sumOf(entries, (entry) => entry.mass_g);
}

const [A, Z, CAPITAL_A] = [97, 122, 65];

/** A statement as a sentence: first letter a capital, full stop at the end. */
export function sentence(text: string): string {
	if (text === '') return '';
	const code = text.charCodeAt(0);
	const end = text.endsWith('.') ? '' : '.';
	if (code >= A && code <= Z) return `${String.fromCharCode(code - A + CAPITAL_A)}${text.slice(1)}${end}`;
	// Emphasis marks may stand before the first letter.
	const capitalised = text.replace(
		/^(\**)(\p{L})/u,
		(_, marks: string, letter: string) => marks + letter.toUpperCase()
	);
	return capitalised + end;
}
