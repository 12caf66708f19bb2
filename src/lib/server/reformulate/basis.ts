import { derive } from '$core/derive.ts';
import { processOf } from '$core/formula/process.ts';
import { usualCookLoss } from '$core/formula/usual-loss.ts';
import { USUAL_ASSUMPTIONS } from '$core/sure/assumptions.ts';
import { isTyped } from '../../formula/kept-draft.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { ReformulateBasis } from '../../reformulate/types.ts';
import { familyLosses } from '../batches/family-losses.ts';
import type { Database } from '../db/connection.ts';
import { allFamilies } from '../families.ts';
import { getFormula } from '../formulas/read.ts';
import { today } from '../kitchens.ts';
import { getLabel } from '../labels/read.ts';
import { mixLines } from '../mixes.ts';
import { readCoreShelf } from '../shelf.ts';
import { sureSubject } from '../sure/question.ts';
import { withFinished } from '../sure/subject.ts';

/** A formula's kept version as it can be reformulated, its figures by the loss that is expected. Throws `NotFound`. */
export async function reformulateBasis(
	db: Database,
	kitchen: Kitchen,
	formulaId: string
): Promise<ReformulateBasis> {
	const formula = await getFormula(db, kitchen.id, formulaId);
	const product = formula.products[0];
	const [label, subject, shelf, families, mixes, losses] = await Promise.all([
		product && formula.number > 0 ? getLabel(db, kitchen, product.id) : null,
		sureSubject(db, kitchen, 'formula', formulaId, 'label'),
		readCoreShelf(db, kitchen, today(kitchen)),
		allFamilies(db, kitchen.id),
		mixLines(db, kitchen.id),
		familyLosses(db, kitchen)
	]);
	// Until a batch was weighed it goes by what such bread usually loses, and says so.
	const ofFamily = losses.find(([id]) => id === formula.family)?.[1] ?? null;
	const loss = label?.cookLoss ?? ofFamily ?? usualCookLoss(formula.family);
	const { recipe = null } = label ? withFinished(label.plainRecipe, loss) : {};
	const isAsKept = recipe?.formula.lines.length === formula.lines.length;
	const facts = recipe && isAsKept ? derive(recipe) : null;
	const family = families.find(({ id }) => id === formula.family) ?? null;
	const { windows } = processOf(family, formula.choices);
	// What a mix of one’s own is made of is no line of the formula: a window cannot be held to it.
	const hasMix = formula.lines.some((line) => mixes.has(line.ingredient));
	return {
		formulaId: formula.id,
		name: formula.name,
		version: formula.version,
		number: formula.number,
		productId: product?.id ?? '',
		recipe: facts?.ok ? recipe : null,
		problem: problemOf(isTyped(formula), label !== null, facts?.ok ?? false),
		isWeighed: label !== null && label.cookLoss !== null,
		given: subject.recipe ? subject.given : USUAL_ASSUMPTIONS,
		windows: hasMix || Object.keys(windows).length === 0 ? null : windows,
		family: family?.name ?? '',
		shelf,
		step_g: kitchen.scaleDivision_g,
		pieces: facts?.ok ? facts.value.yield.pieces : 0
	};
}

function problemOf(hasDraft: boolean, isKept: boolean, isSound: boolean): string {
	if (!isKept) return 'keep a first version of it, sold as something';
	if (!isSound) return 'nothing can be worked out of it yet: see what its sheet says';
	return hasDraft
		? 'something was typed in its sheet and not kept: keep it as a version or discard it first'
		: '';
}
