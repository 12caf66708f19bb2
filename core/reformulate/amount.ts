import type { Facts } from '../facts.ts';
import { NUTRIENTS, type Nutrient } from '../composition/nutrients.ts';
import { flourShares } from '../formula/shares.ts';
import { ingredientsOf, type Recipe } from '../formula/types.ts';
import { servingPiecesOf } from '../rules/declarations.ts';
import { rulesOf } from '../rules/index.ts';
import { isNutrient } from './quantity.ts';
import { readPrinted } from './printed.ts';
import type { Per, Target, TargetFigure } from './wish.ts';

/** What a recipe has of a figure, exactly, in the unit of a target; null where it is not known. */
export function amountOf(recipe: Recipe, facts: Facts, figure: TargetFigure, per: Per): number | null {
	if (!isNutrient(figure) && figure !== 'cost')
		return flourShares(recipe.formula.lines, ingredientsOf(recipe))[figure];
	const finished_g = facts.yield.finishedWeight_g;
	const times =
		per === 'piece' ? 1 : per === 'serving' ? servingPiecesOf(facts) : finished_g && 100 / finished_g;
	if (!times) return null;
	const piece = figure === 'cost' ? facts.cost.perPiece : facts.perPiece[figure];
	return piece === null ? null : Number(piece) * times;
}

/** What prints of a target’s figure; null where it does not. */
export function printedOf(
	recipe: Recipe,
	facts: Facts,
	{ figure, per }: Pick<Target, 'figure' | 'per'>
): string | null {
	if (!isNutrient(figure)) return null;
	const rules = rulesOf(recipe.rules);
	const prints = rules.printsOf(figure);
	const of = rules.figures.find(({ key }) => key === prints?.key)?.of;
	const column = rules
		.columnsOf(facts, recipe.product, prints?.key ?? '')
		?.find((_, nth) => (per === 'piece' ? nth === 1 : nth === 0));
	return of && column ? column.printed : null;
}

/** What is good to have more of: of it a wish is a least, of all else a most. */
const WANTED: readonly Nutrient[] = [
	'protein_g',
	'fibre_g',
	'vitaminD_ug',
	'calcium_mg',
	'iron_mg',
	'potassium_mg'
];

/** A wish that a line of the panel or table says at what it prints now, to be moved from there; null where it prints nothing. */
export function wishOfLine(recipe: Recipe, facts: Facts, key: string): Target | null {
	const rules = rulesOf(recipe.rules);
	const figure = NUTRIENTS.find((nutrient) => rules.printsOf(nutrient)?.key === key);
	const printed = figure && printedOf(recipe, facts, { figure, per: rules.printedPer });
	if (!figure || !printed) return null;
	const number = Number((readPrinted(printed).high / (rules.printsOf(figure)?.factor ?? 1)).toPrecision(6));
	const isWanted = WANTED.includes(figure);
	return {
		figure,
		per: rules.printedPer,
		atMost: isWanted ? null : number,
		atLeast: isWanted ? number : null,
		as: 'printed'
	};
}
