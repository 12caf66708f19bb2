import type { Drawing } from '$core/drawing/shapes.ts';
import type { Facts } from '$core/facts.ts';
import type { Recipe } from '$core/formula/types.ts';
import { drawEuTable, tableText } from '$core/rules/eu/format.ts';
import { rulesOf } from '$core/rules/index.ts';
import { panelText } from '$core/rules/us/format/linear.ts';
import { verticalPanel } from '$core/rules/us/format/vertical.ts';

/** The panel or table of some facts as it prints, and all of it in words; null while nothing prints. */
export function panelOf(recipe: Recipe, facts: Facts): { drawing: Drawing; text: string } | null {
	const { panel, table } = rulesOf(recipe.rules).nutritionContent(facts, recipe.product);
	if (panel) return { drawing: verticalPanel(panel), text: panelText(panel) };
	return table && { drawing: drawEuTable(table), text: tableText(table) };
}
