import type { Recipe } from '$core/formula/types.ts';
import { worded } from '$core/label/wording.ts';
import { USUAL_ASSUMPTIONS, type LineReading, type Question } from '$core/sure/assumptions.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { Label } from '../../label/types.ts';
import type { SureOf, SureSubject } from '../../sure/types.ts';
import { recentTelling } from '../batches/standing.ts';
import { getBatch } from '../batches/read.ts';
import type { TellingBatch } from '../../batch/summary.ts';
import { compositionsById, currentCompositions } from '../compositions.ts';
import type { Database } from '../db/connection.ts';
import { NotFound } from '../errors.ts';
import { getFormula, listFormulas } from '../formulas/read.ts';
import type { Formula } from '../../formula/types.ts';
import { getLabel } from '../labels/read.ts';
import { spreadHistory, type SpreadHistory } from './history.ts';
import { assumedSpreads, type AssumedSpread } from './spreads.ts';
import {
	assumptionsOf,
	batchReadings,
	formulaReadings,
	namedLines,
	withFinished,
	type Known
} from './subject.ts';

/** How sure the figures of a formula, a label or a batch are to be asked. Throws `NotFound`. */
export function sureSubject(
	db: Database,
	kitchen: Kitchen,
	of: SureOf,
	id: string,
	question: Question
): Promise<SureSubject> {
	if (of === 'batch') return subjectOfBatch(db, kitchen, id, question);
	return of === 'label' ? subjectOfLabel(db, kitchen, id) : subjectOfFormula(db, kitchen, id);
}

/** What every subject of a kitchen is put together with: read once for many. */
export interface SureBasis {
	formulas: Formula[];
	recent: readonly TellingBatch[];
	assumed: AssumedSpread[];
	compositions: Known['compositions'];
}

export async function sureBasis(
	db: Database,
	kitchen: Kitchen,
	recent?: readonly TellingBatch[]
): Promise<SureBasis> {
	const [formulas, batches, assumed, compositions] = await Promise.all([
		listFormulas(db, kitchen.id),
		recent ?? recentTelling(db, kitchen),
		assumedSpreads(db, kitchen.id),
		currentCompositions(db, kitchen.id)
	]);
	return { formulas, recent: batches, assumed, compositions };
}

/** The subject of a label that was read. */
export function subjectFrom(label: Label, kitchen: Kitchen, basis: SureBasis): SureSubject {
	const formula = basis.formulas.find(({ id }) => id === label.product.formulaId);
	if (!formula) throw new NotFound('this formula is not here');
	const recipe = worded(label.plainRecipe, label.design);
	const history = historyOf(formula, recipe, basis);
	return put({
		of: 'label',
		id: label.product.id,
		name: label.product.name,
		href: `/labels/${label.product.id}`,
		formula,
		recipe,
		cookLoss: label.cookLoss,
		kitchen,
		question: 'label',
		readings: formulaReadings(formula.lines),
		compositions: basis.compositions,
		basis,
		history,
		productId: label.product.id
	});
}

async function subjectOfLabel(db: Database, kitchen: Kitchen, id: string): Promise<SureSubject> {
	const [label, basis] = await Promise.all([getLabel(db, kitchen, id), sureBasis(db, kitchen)]);
	return subjectFrom(label, kitchen, basis);
}

async function subjectOfFormula(db: Database, kitchen: Kitchen, id: string): Promise<SureSubject> {
	const formula = await getFormula(db, kitchen.id, id);
	const product = formula.products[0];
	if (formula.number === 0 || !product)
		return {
			...nothing('formula', id, formula.name),
			problem: 'keep a first version of it, sold as something: then its figures can be asked about'
		};
	const subject = await subjectOfLabel(db, kitchen, product.id);
	return { ...subject, of: 'formula', id, name: formula.name, href: `/formulas/${id}` };
}

async function subjectOfBatch(
	db: Database,
	kitchen: Kitchen,
	id: string,
	question: Question
): Promise<SureSubject> {
	const [batch, basis] = await Promise.all([getBatch(db, kitchen, id), sureBasis(db, kitchen)]);
	const formula = basis.formulas.find((each) => each.id === batch.formulaId);
	if (!formula) throw new NotFound('this formula is not here');
	const ids = await db('batch_lines').where({ kitchen_id: kitchen.id, batch_id: id }).pluck('composition_id');
	const compositions = await compositionsById(db, kitchen.id, [...new Set(ids)]);
	// The range of a spoon is of the line as the formula has it; a version since may have others.
	const said = batch.formulaNumber === formula.number ? formula.lines : [];
	return put({
		of: 'batch',
		id,
		name: `${batch.name}, batch ${batch.code}`,
		href: `/batches/${id}`,
		formula,
		recipe: batch.recipe,
		cookLoss: null,
		kitchen,
		question,
		readings: batchReadings(batch.lines, said, basis.assumed),
		compositions: new Map([...compositions.values()].map((each) => [each.ingredientId, each])),
		basis,
		history: historyOf(formula, batch.recipe, basis),
		productId: batch.productId
	});
}

function historyOf(formula: Formula, recipe: Recipe, { formulas, recent }: SureBasis): SpreadHistory {
	const ingredients = new Map(recipe.ingredients.map((each) => [each.id, each]));
	const families = new Map(formulas.map(({ id, family }) => [id, family]));
	return spreadHistory(
		formula,
		formula.lines,
		(id) => ingredients.get(id),
		(id) => families.get(id) ?? '',
		recent
	);
}

interface Parts {
	of: SureOf;
	id: string;
	name: string;
	href: string;
	formula: Formula;
	recipe: Recipe;
	cookLoss: number | null;
	kitchen: Kitchen;
	question: Question;
	readings: Map<number, LineReading>;
	compositions: Known['compositions'];
	basis: SureBasis;
	history: SpreadHistory;
	productId: string;
}

function put(parts: Parts): SureSubject {
	const { recipe, problem } = withFinished(withoutMoney(parts.recipe), parts.cookLoss);
	const { kitchen, question, compositions, history, readings, basis } = parts;
	const known: Known = { kitchen, question, compositions, assumed: basis.assumed, history, readings };
	return {
		of: parts.of,
		id: parts.id,
		name: parts.name,
		href: parts.href,
		formulaHref: `/formulas/${parts.formula.id}`,
		recipe,
		problem,
		given: assumptionsOf(parts.recipe, known),
		lines: namedLines(parts.recipe, parts.recipe.formula.lines),
		history: {
			batches: history.batches.filter(({ cookLoss }) => cookLoss !== null).length,
			family: parts.formula.family !== ''
		},
		productId: parts.productId
	};
}

/** What things cost is nobody's here. */
const withoutMoney = (recipe: Recipe): Recipe => ({
	...recipe,
	ingredients: recipe.ingredients.map((ingredient) => ({ ...ingredient, price: null })),
	product: { ...recipe.product, materials: [] }
});

const nothing = (of: SureOf, id: string, name: string): SureSubject => ({
	of,
	id,
	name,
	href: `/${of}s/${id}`,
	formulaHref: `/formulas/${id}`,
	recipe: null,
	problem: '',
	given: USUAL_ASSUMPTIONS,
	lines: [],
	history: { batches: 0, family: false },
	productId: null
});
