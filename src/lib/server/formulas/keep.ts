import type { FormulaDraft } from '../../formula/draft.ts';
import type { Database } from '../db/connection.ts';
import { madeOnce } from '../db/once.ts';
import { inTransaction } from '../db/transaction.ts';
import { isDuplicate, Stale } from '../errors.ts';
import { saveProduct } from '../products.ts';
import { newId, utcNow } from '../rows.ts';
import { startFormula, underFreeName } from './drafts.ts';
import { insertFormula, nameTaken } from './insert.ts';
import { isDough } from '$core/formula/types.ts';
import { coreLine } from '../../formula/recipe.ts';
import { getFormula } from './read.ts';
import type { FormulaContent, FormulaInput } from '../../formula/types.ts';

/**
 * Makes a formula with its first version and product. `id` comes from the form, so that a save sent
 * twice makes one formula.
 */
export async function createFormula(
	db: Database,
	kitchenId: string,
	id: string,
	input: FormulaInput
): Promise<string> {
	await madeOnce(db, { table: 'formulas', kitchenId, id }, (transaction) =>
		putFormula(transaction, kitchenId, id, input)
	);
	return id;
}

/** The same within what makes it once. */
export async function putFormula(
	transaction: Database,
	kitchenId: string,
	id: string,
	input: FormulaInput
): Promise<void> {
	await insertFormula(transaction, kitchenId, id, input.name);
	await addVersion(transaction, kitchenId, id, 1, contentOf(input));
	await saveProduct(transaction, kitchenId, id, input.product, null);
}

/**
 * Keeps a formula that was opened at `version`: a new version where its content changed, and its
 * product. The draft is done with; the reason is kept with the version. Throws `Stale`, `Refused`, `NotFound`.
 */
export async function keepFormula(
	db: Database,
	kitchenId: string,
	id: string,
	version: number,
	input: FormulaInput,
	reason = ''
): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const changed = await transaction('formulas')
			.where({ kitchen_id: kitchenId, id, version })
			.update({ name: input.name, version: version + 1, draft: null, updated_at: utcNow() })
			.catch((error: unknown) => {
				if (isDuplicate(error)) nameTaken(input.name);
				throw error;
			});
		const current = await getFormula(transaction, kitchenId, id);
		if (changed === 0) throw new Stale(current);
		const content = contentOf(input);
		if (current.number === 0 || !sameContent(current, content))
			await addVersion(transaction, kitchenId, id, current.number + 1, content, reason);
		await saveProduct(transaction, kitchenId, id, input.product, input.productId);
	});
}

/** Puts a formula away or brings it back. Batches made of it stay. */
export async function setArchived(
	db: Database,
	kitchenId: string,
	id: string,
	archived: boolean
): Promise<void> {
	await inTransaction(db, (transaction) =>
		transaction('formulas')
			.where({ kitchen_id: kitchenId, id })
			.update({ archived_at: archived ? utcNow() : null })
	);
}

/** A copy of a formula's newest version and first product, under a name of its own; its id, `copyId`. */
export async function duplicateFormula(
	db: Database,
	kitchenId: string,
	id: string,
	copyId = newId()
): Promise<string> {
	const original = await getFormula(db, kitchenId, id);
	const [product] = original.products;
	const wanted = `${original.name} copy`;
	if (original.number === 0 || !product)
		return startFormula(
			db,
			kitchenId,
			(newFormula, newName) => ({
				...(original.draft as FormulaDraft),
				id: newFormula,
				name: newName,
				version: 1,
				productId: null
			}),
			wanted,
			copyId
		);
	const { id: _id, formulaId: _formula, name: _name, ...rest } = product;
	await underFreeName(db, kitchenId, wanted, (name) =>
		createFormula(db, kitchenId, copyId, { ...original, name, product: rest, productId: null })
	);
	return copyId;
}

function contentOf(input: FormulaInput): FormulaContent {
	return {
		mixGap: input.mixGap,
		family: input.family ?? '',
		choices: input.choices ?? {},
		steps: input.steps ?? [],
		lines: input.lines.map((line) => ({
			...coreLine(line),
			said: line.said ?? '',
			note: line.note ?? '',
			low_g: line.low_g ?? null,
			high_g: line.high_g ?? null,
			most_g: line.most_g ?? null,
			toWeigh: line.toWeigh ?? false
		}))
	};
}

/** Whether two contents are the same: a version more would say nothing new. */
export function sameContent(a: FormulaContent, b: FormulaContent): boolean {
	const flat = (content: FormulaContent) =>
		JSON.stringify([
			content.mixGap,
			content.family,
			Object.entries(content.choices).sort(),
			content.steps.map((step) => [
				step.kind,
				step.text,
				step.minutesLow,
				step.minutesHigh,
				step.temperature_c,
				step.cue
			]),
			content.lines.map((line) => [
				line.ingredient,
				line.use,
				line.stage,
				line.used_g,
				line.uptake_g,
				line.said,
				line.note,
				line.low_g,
				line.high_g,
				line.most_g,
				line.toWeigh
			])
		]);
	return flat(a) === flat(b);
}

async function addVersion(
	db: Database,
	kitchenId: string,
	formulaId: string,
	number: number,
	content: FormulaContent,
	reason = ''
): Promise<void> {
	const id = newId();
	await db('formula_versions').insert({
		id,
		kitchen_id: kitchenId,
		formula_id: formulaId,
		number,
		mix_gap: content.mixGap,
		family: content.family,
		choices: JSON.stringify(content.choices),
		steps: JSON.stringify(content.steps),
		reason,
		created_at: utcNow()
	});
	await db('formula_lines').insert(
		content.lines.map((line, position) => ({
			id: newId(),
			kitchen_id: kitchenId,
			version_id: id,
			ingredient_id: line.ingredient,
			position,
			use_as: line.use,
			stage: line.stage ?? '',
			grams: isDough(line) ? line.used_g : null,
			consumed_g: isDough(line) ? null : line.used_g,
			uptake_g: line.uptake_g,
			said: line.said,
			note: line.note,
			low_g: line.low_g,
			high_g: line.high_g,
			most_g: line.most_g,
			to_weigh: line.toWeigh
		}))
	);
}
