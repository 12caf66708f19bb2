import type { Facts } from '../facts.ts';
import { flourShares } from '../formula/shares.ts';
import { ingredientsOf, type Recipe } from '../formula/types.ts';
import { rulesOf } from '../rules/index.ts';
import { isNutrient } from './quantity.ts';
import type { Per, Target, TargetFigure } from './wish.ts';

/** Pieces in a serving, as it prints; one where nothing is said of it. */
function servingPieces({ serving }: Facts): number {
	if (!serving) return 1;
	return serving.pieces ?? 1 / Number(serving.fraction?.split('/')[1] ?? 1);
}

/** What a recipe has of a figure, exactly, in the unit of a target; null where it is not known. */
export function amountOf(recipe: Recipe, facts: Facts, figure: TargetFigure, per: Per): number | null {
	if (!isNutrient(figure) && figure !== 'cost')
		return flourShares(recipe.formula.lines, ingredientsOf(recipe))[figure];
	const finished_g = facts.yield.finishedWeight_g;
	const times =
		per === 'piece' ? 1 : per === 'serving' ? servingPieces(facts) : finished_g && 100 / finished_g;
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
