import type { Facts } from '$core/facts.ts';
import type { Recipe } from '$core/formula/types.ts';
import { figuresOf } from '$core/why/figures.ts';
import { whyNutrient } from '$core/why/nutrient.ts';
import { recordDrawing } from '$core/why/record.ts';
import { dayText, fixed, percent } from '../../format.ts';
import { SOURCE_GRADES, sourceText, type ValueSource } from '../../shelf/sources.ts';
import type { Downloaded } from '../edge/download.ts';
import { refuse } from '../errors.ts';
import { today } from '../kitchens.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { labelsPdf } from './pdf.ts';

/**
 * The derivation of one figure as a one-page PDF. Refuses a figure the rules do not have, and facts that
 * print nothing yet.
 */
export async function recordPdf(
	kitchen: Kitchen,
	subject: string,
	recipe: Recipe,
	facts: Facts | null,
	sources: Record<string, ValueSource>,
	asked: string
): Promise<Downloaded> {
	const figure = figuresOf(recipe.rules).find((each) => each.key === asked);
	if (!figure) refuse('', 'there is no such figure on the panel');
	const derivation = facts && whyNutrient(recipe, facts, asked);
	if (!facts || !derivation) refuse('', 'nothing is printed yet: weigh finished pieces first');
	const { ballWeight_g, uptake_g, pieces, finishedWeight_g, cookLoss } = facts.yield;
	const drawing = recordDrawing(derivation, {
		subject,
		kitchen: kitchen.name,
		day: dayText(today(kitchen)),
		weights:
			finishedWeight_g === null || cookLoss === null
				? ''
				: `A ball of ${fixed(ballWeight_g, 1)} g and ${fixed(uptake_g / pieces, 1)} g of uptake cook to ${fixed(finishedWeight_g, 1)} g, a loss of ${percent(cookLoss)} %.`,
		nameOf: (id) => recipe.ingredients.find((each) => each.id === id)?.name ?? '',
		sourceOf: (id) => {
			const source = sources[id];
			return source ? `${sourceText(source)}; ${SOURCE_GRADES[source.source]}` : 'not noted';
		}
	});
	const name = `${figure.name} ${subject}`.replace(/[^\w -]+/g, '');
	return { name: `${name}.pdf`, type: 'application/pdf', body: await labelsPdf(name, drawing, 1, 'roll') };
}
