import { folded } from '../measure/units.ts';
import { choicesOf, type Choices } from './process.ts';
import { isDough, type Category, type Ingredient, type Line } from './types.ts';

/** What the lines of a formula say of how it is made, as far as they do. */
export interface Proposed {
	/** Id of a usual family; null where the lines do not tell. */
	family: string | null;
	choices: Pick<Choices, 'leavening' | 'fat'>;
}

const FATS: [RegExp, NonNullable<Choices['fat']>][] = [
	[/shortening/, 'shortening'],
	[/\boil\b|aceite|huile/, 'liquid oil'],
	[/\blard\b|manteca/, 'lard'],
	[/butter|ghee|mantequilla/, 'butter']
];

/**
 * Leavening, fat and family as the lines have them: the fat there is most of, yeast before powder. What a person chose
 * stands, but that a dough with leavening in it has neither.
 */
export function proposedOf(lines: readonly Line[], ingredientOf: (id: string) => Ingredient): Proposed {
	const dough = lines.filter(isDough).map((line) => ({ line, ...ingredientOf(line.ingredient) }));
	const fats = dough.filter(({ kind }) => kind === 'fat').sort((a, b) => b.line.used_g - a.line.used_g);
	const leavening = leaveningOf(dough);
	const name = folded(fats[0]?.name ?? '');
	const fat = FATS.find(([words]) => words.test(name))?.[1];
	const choices: Proposed['choices'] = {};
	if (leavening) choices.leavening = leavening;
	if (fat) choices.fat = fat;
	return { family: familyOf(lines, dough, leavening, fats.length > 0), choices };
}

function leaveningOf(dough: readonly Pick<Ingredient, 'kind' | 'name'>[]): Choices['leavening'] {
	if (dough.some(({ kind }) => kind === 'yeast')) return 'yeast';
	const raised = dough.filter(({ kind, name }) => kind === 'leavening' && !/tartar/.test(folded(name)));
	if (raised.length === 0) return undefined;
	const isSoda = ({ name }: Pick<Ingredient, 'name'>) => /soda|bicarb|natron/.test(folded(name));
	return raised.every(isSoda) ? 'baking soda' : 'baking powder';
}

function familyOf(
	lines: readonly Line[],
	dough: readonly Pick<Ingredient, 'kind'>[],
	leavening: Choices['leavening'],
	hasFat: boolean
): string | null {
	if (!dough.some(({ kind }) => kind === 'flour')) return null;
	if (leavening === 'yeast') return dough.some(({ kind }) => kind === 'dairy') ? 'enriched' : 'pita';
	if (lines.some(({ use }) => use === 'layering')) return 'layered';
	if (hasFat && leavening) return 'tortilla-cut-in';
	return hasFat || leavening ? null : 'roti';
}

/** What a piece of a usual family is called, one and several, and the reference amount it goes by. */
export function pieceOfFamily(family: string): { one: string; many: string; category: Category } {
	if (family.startsWith('tortilla')) return { one: 'tortilla', many: 'tortillas', category: 'tortilla' };
	if (family === 'roti') return { one: 'roti', many: 'roti', category: 'flatbread' };
	if (family === 'pita') return { one: 'pita', many: 'pitas', category: 'flatbread' };
	return { one: 'flatbread', many: 'flatbreads', category: 'flatbread' };
}

/** The choices with what the lines propose where nobody chose, and never `neither` where leavening is in. */
export function withProposed(made: Choices, { choices }: Proposed): Choices {
	const isDenied = made.leavening === 'neither' && choices.leavening !== undefined;
	const isDeniedFat = choicesOf(made).fat === 'none' && choices.fat !== undefined;
	return {
		...choices,
		...made,
		...(isDenied ? { leavening: choices.leavening } : {}),
		...(isDeniedFat ? { fat: choices.fat } : {})
	};
}
