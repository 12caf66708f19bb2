import { FILE_EXTENSION } from '$core/file/write.ts';
import type { Ingredient, Recipe } from '$core/formula/types.ts';
import { sumOf } from '$core/measure/round.ts';
import { productParts, recipeOf } from '../recipe.ts';
import { createBatch } from './batches/create.ts';
import { getBatch } from './batches/read.ts';
import { recordBatch } from './batches/record.ts';
import type { Database } from './db/connection.ts';
import { refuse } from './errors.ts';
import { freeName } from './formulas/drafts.ts';
import { createFormula } from './formulas/keep.ts';
import { coreLine } from './formulas/lines.ts';
import { getFormula, listFormulas } from './formulas/read.ts';
import type { Formula } from './formulas/types.ts';
import { addIngredient } from './ingredients.ts';
import { today, type Kitchen } from './kitchens.ts';
import { addPricePack } from './prices.ts';
import { newId } from './rows.ts';
import { readCoreShelf } from './shelf.ts';

/** The Square Batch recipe of a formula's newest version and first product, priced as of a day. */
export async function formulaRecipe(db: Database, kitchen: Kitchen, id: string): Promise<Recipe> {
	const [formula, ingredients] = await Promise.all([
		getFormula(db, kitchen.id, id),
		readCoreShelf(db, kitchen, today(kitchen))
	]);
	const [product] = formula.products;
	if (formula.number === 0 || !product)
		return refuse('', 'keep a version of the formula first: there is only a draft');
	return recipeOf(
		productParts(
			{
				rules: kitchen.rules,
				currency: kitchen.currency,
				name: formula.name,
				lines: formula.lines.map(coreLine),
				ingredients,
				mixGap: formula.mixGap
			},
			product
		)
	);
}

/** A file name out of a formula's or batch's name. */
export function fileName(name: string, extension = FILE_EXTENSION): string {
	const plain = name
		.normalize('NFD')
		.replace(/\p{M}/gu, '')
		.toLowerCase()
		.replace(/[^a-z0-9]+/g, '-')
		.replace(/^-|-$/g, '');
	return `${plain || 'formula'}${extension}`;
}

/** What an import made. */
export interface Imported {
	formulaId: string;
	/** The batch of what was measured; null where the file measured nothing. */
	batchId: string | null;
	/** Names of ingredients that were put on the shelf for it. */
	added: string[];
}

/**
 * Brings a Square Batch file in: its formula as a first version, its product, and a batch where it
 * measured one. An ingredient the shelf already holds just so is used; any other is put on the shelf.
 */
export async function importRecipe(db: Database, kitchen: Kitchen, recipe: Recipe): Promise<Imported> {
	if (recipe.currency !== kitchen.currency)
		refuse('', `the file counts in ${recipe.currency} and this kitchen in ${kitchen.currency}`);
	return db.transaction(async (transaction) => {
		const day = today(kitchen);
		const { ids, added } = await shelve(transaction, kitchen, recipe, day);
		const names = (await listFormulas(transaction, kitchen.id)).map((formula) => formula.name);
		const formulaId = newId();
		await createFormula(transaction, kitchen.id, formulaId, {
			name: freeName(recipe.formula.name, names),
			mixGap: recipe.batch?.mixGap ?? 'residue',
			lines: recipe.formula.lines.map((line) => ({
				...coreLine(line),
				ingredient: ids.get(line.ingredient) ?? ''
			})),
			productId: null,
			product: {
				pieceOne: recipe.piece.one,
				pieceMany: recipe.piece.many,
				category: recipe.piece.category,
				ballWeight_g: recipe.piece.ballWeight_g ?? ballOf(recipe),
				packPieces: recipe.pack?.pieces ?? 1,
				servingPieces: servingOf(recipe),
				price: null,
				materials: recipe.pack?.materials ?? []
			}
		});
		const formula = await getFormula(transaction, kitchen.id, formulaId);
		return { formulaId, batchId: await measuredBatch(transaction, kitchen, formula, recipe, day), added };
	});
}

/** Where only a count is given, a ball is its share of the dough (computation, section 4). */
function ballOf(recipe: Recipe): number {
	const dough_g =
		recipe.batch?.doughWeight_g ??
		sumOf(recipe.formula.lines, (line) => (line.use === 'dough' ? line.grams : 0));
	return dough_g / (recipe.piece.count ?? 1);
}

const servingOf = (recipe: Recipe) => {
	const pieces = recipe.batch?.servingPieces;
	return pieces === 1 || pieces === 2 ? pieces : null;
};

/** Ids on this shelf of the file's ingredients, by their ids in the file. */
async function shelve(
	db: Database,
	kitchen: Kitchen,
	recipe: Recipe,
	day: string
): Promise<{ ids: Map<string, string>; added: string[] }> {
	const shelf = await readCoreShelf(db, kitchen, day);
	const ids = new Map<string, string>();
	const added: string[] = [];
	const names = shelf.map((ingredient) => ingredient.name);
	for (const ingredient of recipe.ingredients) {
		const same = shelf.find((known) => said(known) === said(ingredient));
		if (same) {
			ids.set(ingredient.id, same.id);
			continue;
		}
		const name = freeName(ingredient.name, names);
		names.push(name);
		added.push(name);
		const id = await addIngredient(db, kitchen.id, {
			name,
			kind: ingredient.kind,
			// The name may have got a number here; what the bag says stays what the file said.
			labelUs: ingredient.label?.us ?? ingredient.name.trim().toLowerCase(),
			labelEu: ingredient.label?.eu ?? ingredient.name.trim().toLowerCase(),
			parts: ingredient.parts ?? [],
			allergens: ingredient.allergens ?? [],
			confirmedOn: ingredient.allergens ? day : null,
			evidence: ingredient.allergens ? 'Square Batch file' : '',
			per100g: ingredient.per100g,
			source: 'estimate',
			sourceNote: 'Square Batch file',
			sourceOn: day
		});
		if (ingredient.price)
			await addPricePack(db, kitchen.id, id, {
				amount: ingredient.price.amount,
				grams: ingredient.price.grams,
				usable: ingredient.price.usable ?? 1,
				boughtOn: day,
				supplier: 'Square Batch file'
			});
		ids.set(ingredient.id, id);
	}
	return { ids, added };
}

/** Everything about an ingredient but its id, as text. */
function said(ingredient: Ingredient): string {
	return JSON.stringify([
		ingredient.name,
		ingredient.kind,
		ingredient.label?.us ?? '',
		ingredient.label?.eu ?? '',
		ingredient.parts ?? [],
		Object.entries(ingredient.per100g)
			.filter(([, value]) => value !== null && value !== undefined)
			.sort(),
		ingredient.allergens ?? null,
		ingredient.price
			? [Number(ingredient.price.amount), ingredient.price.grams, ingredient.price.usable ?? 1]
			: null
	]);
}

async function measuredBatch(
	db: Database,
	kitchen: Kitchen,
	formula: Formula,
	recipe: Recipe,
	day: string
): Promise<string | null> {
	const measured = recipe.batch;
	const isMeasured =
		measured?.doughWeight_g !== undefined ||
		measured?.ballWeights_g !== undefined ||
		measured?.finishedWeights_g !== undefined ||
		measured?.rejects !== undefined;
	const [product] = formula.products;
	if (!measured || !isMeasured || !product) return null;
	const batchId = await createBatch(db, kitchen, newId(), { productId: product.id, madeOn: day, factor: 1 });
	const planned = await getBatch(db, kitchen, batchId);
	await recordBatch(db, kitchen, batchId, planned.version, {
		madeOn: day,
		ballWeight_g: product.ballWeight_g,
		ballCount: recipe.piece.count ?? null,
		rejects: measured.rejects ?? 0,
		servingPieces: product.servingPieces,
		note: 'from a Square Batch file',
		doughWeight_g: measured.doughWeight_g ?? null,
		leftover_g: null,
		ballWeights_g: measured.ballWeights_g ?? [],
		finishedWeights_g: measured.finishedWeights_g ?? [],
		lines: planned.lines.map((line, index) => {
			const source = recipe.formula.lines[index];
			return {
				id: line.id,
				// The file's own grams: the plan is rounded to this kitchen's scale.
				grams: source ? (source.use === 'dough' ? source.grams : source.consumed_g) : line.planned_g,
				uptake_g: source && source.use !== 'dough' ? (source.uptake_g ?? null) : null
			};
		})
	});
	return batchId;
}
