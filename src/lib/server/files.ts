import { FILE_EXTENSION } from '$core/file/write.ts';
import { doughMass_g, type Ingredient, type Recipe } from '$core/formula/types.ts';
import { coreLine, partsOfFormula, recipeOf } from '../formula/recipe.ts';
import { createBatch } from './batches/create.ts';
import { getBatch } from './batches/read.ts';
import { recordBatch } from './batches/record.ts';
import type { Database } from './db/connection.ts';
import { madeOnce } from './db/once.ts';
import { Refused, refuse } from './errors.ts';
import { unkeepable } from './file-limits.ts';
import { freeName } from './formulas/drafts.ts';
import { putFormula } from './formulas/keep.ts';
import { getFormula, listFormulas } from './formulas/read.ts';
import type { Formula } from '../formula/types.ts';
import { addIngredient } from './ingredients.ts';
import { today } from './kitchens.ts';
import type { Kitchen } from '../kitchen/types.ts';
import { writePrice } from './prices.ts';
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
	return recipeOf(partsOfFormula(kitchen, formula, product, ingredients));
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
export async function importRecipe(
	db: Database,
	kitchen: Kitchen,
	recipe: Recipe,
	formulaId = newId()
): Promise<Imported> {
	if (recipe.currency !== kitchen.currency)
		refuse('', `the file counts in ${recipe.currency} and this kitchen in ${kitchen.currency}`);
	const unkept = unkeepable(recipe);
	if (unkept.length > 0) throw new Refused(unkept);
	let brought: Imported = { formulaId, batchId: null, added: [] };
	await madeOnce(db, { table: 'formulas', kitchenId: kitchen.id, id: formulaId }, async (transaction) => {
		await transaction('kitchens').where('id', kitchen.id).forUpdate().first('id');
		const day = today(kitchen);
		const { ids, added } = await shelve(transaction, kitchen, recipe, day);
		const names = (await listFormulas(transaction, kitchen.id)).map((formula) => formula.name);
		const { product } = recipe;
		await putFormula(transaction, kitchen.id, formulaId, {
			name: freeName(recipe.formula.name, names),
			mixGap: recipe.formula.mixGap,
			lines: recipe.formula.lines.map((line) => ({
				...coreLine(line),
				ingredient: ids.get(line.ingredient) ?? ''
			})),
			productId: null,
			product: {
				pieceOne: product.one,
				pieceMany: product.many,
				category: product.category,
				ballWeight_g: product.ballWeight_g ?? ballOf(recipe),
				packPieces: product.packPieces ?? 1,
				servingPieces: servingOf(recipe),
				price: null,
				materials: product.materials
			}
		});
		const formula = await getFormula(transaction, kitchen.id, formulaId);
		brought = { formulaId, batchId: await measuredBatch(transaction, kitchen, formula, recipe, day), added };
	});
	return brought;
}

/** Where only a count is given, a ball is its share of the dough (computation, section 4). */
function ballOf({ formula, product, measured }: Recipe): number {
	const dough_g = measured.doughWeight_g ?? doughMass_g(formula.lines);
	return dough_g / (measured.balls ?? product.balls ?? 1);
}

const servingOf = (recipe: Recipe) => {
	const pieces = recipe.product.servingPieces;
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
			labelUs: ingredient.label.us ?? ingredient.name.trim().toLowerCase(),
			labelEu: ingredient.label.eu ?? ingredient.name.trim().toLowerCase(),
			parts: ingredient.parts,
			allergens: ingredient.allergens ?? [],
			refined: ingredient.refined,
			confirmedOn: ingredient.allergens ? day : null,
			evidence: ingredient.allergens ? 'Square Batch file' : '',
			per100g: ingredient.per100g,
			source: 'estimate',
			sourceNote: 'Square Batch file',
			sourceOn: day
		});
		if (ingredient.price)
			await writePrice(db, kitchen.id, id, {
				amount: ingredient.price.amount,
				grams: ingredient.price.grams,
				usable: ingredient.price.usable,
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
		ingredient.label.us ?? '',
		ingredient.label.eu ?? '',
		ingredient.parts,
		Object.entries(ingredient.per100g)
			.filter(([, value]) => value !== null)
			.sort(),
		ingredient.allergens,
		ingredient.price
			? [Number(ingredient.price.amount), ingredient.price.grams, ingredient.price.usable]
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
	const { measured } = recipe;
	const { doughWeight_g, ballWeights_g, finishedWeights_g, balls, rejects } = measured;
	const isMeasured =
		doughWeight_g !== null || balls !== null || rejects + ballWeights_g.length + finishedWeights_g.length > 0;
	const [product] = formula.products;
	if (!isMeasured || !product) return null;
	const batchId = await createBatch(db, kitchen, newId(), { productId: product.id, madeOn: day, factor: 1 });
	const planned = await getBatch(db, kitchen, batchId);
	await recordBatch(db, kitchen, batchId, planned.version, {
		madeOn: day,
		ballWeight_g: product.ballWeight_g,
		ballCount: balls,
		rejects,
		// A file counts no packs: they are counted here, or there are none to sell.
		sellable: null,
		packs: null,
		loose: null,
		servingPieces: product.servingPieces,
		note: 'from a Square Batch file',
		doughWeight_g,
		leftover_g: null,
		ballWeights_g,
		finishedWeights_g,
		lines: planned.lines.map((line, index) => {
			const source = recipe.formula.lines[index];
			return {
				id: line.id,
				// The file's own grams: the plan is rounded to this kitchen's scale.
				grams: source?.used_g ?? null,
				uptake_g: source?.uptake_g ?? null
			};
		})
	});
	return batchId;
}
