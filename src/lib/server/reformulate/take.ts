import { derive } from '$core/derive.ts';
import { amountOf } from '$core/reformulate/amount.ts';
import { lossMoves } from '$core/reformulate/moved.ts';
import { isDough, type Recipe } from '$core/formula/types.ts';
import type { Trial, TrialAsk } from '../../batch/trial.ts';
import { isTyped } from '../../formula/kept-draft.ts';
import type { Formula, FormulaLine } from '../../formula/types.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { FigureOf, NewLine } from '../../reformulate/types.ts';
import { createBatch } from '../batches/create.ts';
import type { Database } from '../db/connection.ts';
import { refuse } from '../errors.ts';
import { keepFormula } from '../formulas/keep.ts';
import { getFormula } from '../formulas/read.ts';
import { readCoreShelf } from '../shelf.ts';
import { today } from '../kitchens.ts';
import { reformulateBasis } from './basis.ts';

/** The lines of a version as they become; words of how much was said are no longer true of what changed. */
function becoming(formula: Formula, lines: readonly NewLine[]): FormulaLine[] {
	if (lines.length !== formula.lines.length)
		refuse('', 'the formula has other lines than when this was worked out: look at it again');
	return formula.lines.map((line, at) => {
		const { ingredient, grams } = lines[at] ?? { ingredient: line.ingredient, grams: line.used_g };
		if (ingredient === line.ingredient && grams === line.used_g) return line;
		const uptake_g =
			line.uptake_g === null || line.used_g === 0
				? null
				: Math.min(grams, (line.uptake_g / line.used_g) * grams);
		return {
			...line,
			ingredient,
			used_g: grams,
			uptake_g,
			said: '',
			low_g: null,
			high_g: null,
			most_g: null,
			toWeigh: false
		};
	});
}

/** Keeps a reformulated formula as the next version, with the reason. Throws `Stale`, `Refused`, `NotFound`. */
export async function takeReformulated(
	db: Database,
	kitchen: Kitchen,
	id: string,
	{ version, lines, reason }: { version: number; lines: readonly NewLine[]; reason: string }
): Promise<void> {
	const formula = await getFormula(db, kitchen.id, id);
	const [first] = formula.products;
	if (isTyped(formula))
		refuse('', 'something was typed in its sheet meanwhile: keep it as a version or discard it first');
	if (!first) refuse('', 'keep a first version of it, sold as something');
	const { id: productId, formulaId: _formula, name: _name, ...product } = first;
	const input = { ...formula, lines: becoming(formula, lines), product, productId };
	await keepFormula(db, kitchen.id, id, version, input, reason);
}

/**
 * Plans a small batch of a reformulated formula, marked as a trial, with what it was worked out to be: the server works
 * it out again. `id` comes from the page, so that a plan sent twice is one. Throws `Refused`, `NotFound`.
 */
export async function planTrial(
	db: Database,
	kitchen: Kitchen,
	formulaId: string,
	asked: {
		id: string;
		version: number;
		madeOn: string;
		factor: number;
		lines: readonly NewLine[];
		reason: string;
		figures: readonly FigureOf[];
	}
): Promise<string> {
	const [formula, basis] = await Promise.all([
		getFormula(db, kitchen.id, formulaId),
		reformulateBasis(db, kitchen, formulaId)
	]);
	if (formula.version !== asked.version)
		refuse('', 'somebody changed the formula meanwhile: look at it again');
	const { recipe } = basis;
	if (!recipe) refuse('', basis.problem || 'nothing can be worked out of it yet');
	const lines = becoming(formula, asked.lines);
	const shelf = await readCoreShelf(db, kitchen, today(kitchen));
	if (lines.some((line) => !shelf.some(({ id }) => id === line.ingredient)))
		refuse('', 'an ingredient of it is not on the shelf any more: look at it again');
	const next = recipeOf(recipe, lines, shelf);
	const [now, then] = [derive(recipe), derive(next)];
	if (!now.ok || !then.ok) refuse('', 'of these lines nothing can be worked out');
	const asks: TrialAsk[] = lossMoves(now.value, then.value) ? ['loss', 'water'] : ['loss'];
	const promise: Trial = {
		reason: asked.reason,
		asks,
		promised: asked.figures.map(({ figure, per }) => ({
			figure,
			per,
			now: amountOf(recipe, now.value, figure, per),
			promised: amountOf(next, then.value, figure, per)
		}))
	};
	return createBatch(db, kitchen, asked.id, {
		productId: basis.productId,
		madeOn: asked.madeOn,
		factor: asked.factor,
		trial: { lines, promise }
	});
}

/** The recipe with other lines, its loss kept by the finished weight. */
function recipeOf(
	recipe: Recipe,
	lines: readonly FormulaLine[],
	shelf: readonly Recipe['ingredients'][number][]
): Recipe {
	const known = new Set(recipe.ingredients.map(({ id }) => id));
	const more = shelf.filter(({ id }) => !known.has(id) && lines.some(({ ingredient }) => ingredient === id));
	return {
		...recipe,
		ingredients: [...recipe.ingredients, ...more],
		formula: {
			...recipe.formula,
			lines: lines.map(({ ingredient, use, stage, used_g, uptake_g }) => ({
				ingredient,
				use,
				stage,
				used_g,
				uptake_g: isDough({ use }) ? null : uptake_g
			}))
		}
	};
}
