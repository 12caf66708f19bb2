import { asTaken } from '$core/formula/by-feel.ts';
import type { Recipe } from '$core/formula/types.ts';
import { otherRules } from '$core/rules/index.ts';
import { contactBlocks, declarationBlocks, labelBlocks, shelfLifeBlocks } from '$core/label/blocks.ts';
import { compareLabels } from '$core/label/compare.ts';
import { BLANK_DESIGN, labelContent, type LabelDesign } from '$core/label/content.ts';
import { borneOut } from '$core/label/shelf-life.ts';
import { layoutLabel } from '$core/label/layout.ts';
import { worded } from '$core/label/wording.ts';
import { recommendDeclaration } from '$core/netquantity/recommend.ts';
import { mean } from '$core/measure/round.ts';
import type { PooledSpread } from '$core/measure/spread.ts';
import { derivePlan, HISTORY_BATCHES } from '$core/plan.ts';
import { partsOfFormula, recipeOf } from '../../formula/recipe.ts';
import { sourcesOf } from '../../shelf/sources.ts';
import { barcodeBars } from '../barcode.ts';
import { ballsOff_g, byFeelOf, cookLossHistory, lossSpread, squares, telling } from '../batches/history.ts';
import { recentTelling, tellingOf } from '../batches/standing.ts';
import type { TellingBatch } from '../../batch/summary.ts';
import { contactOfProducts } from '../contact/read.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { NotFound } from '../errors.ts';
import { listFormulas } from '../formulas/read.ts';
import type { Formula } from '../../formula/types.ts';
import { listIngredients } from '../ingredients.ts';
import { today } from '../kitchens.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { getProfile } from '../profiles.ts';
import { pricePacks } from '../prices.ts';
import type { Product } from '../../formula/product.ts';
import { groupBy } from '../rows.ts';
import { coreShelf } from '../shelf.ts';
import type { Label } from '../../label/types.ts';
import { readRevisions } from './revisions.ts';
import { shelfTests } from './shelf-tests.ts';

/** What a label begins with: room for the standard panel beside the words. */
const USUAL_SIZE = { width_mm: 127, height_mm: 190.5 };
/** Codes as long as they get, so that what fits now fits with every batch. */
export const LONGEST_MARKS = { code: '261231-10', bestBefore: 'Best before 30 Sep 2026' };

/**
 * The labels of every product that can be made, by name: by the kitchen's rule set, and by the other where
 * somebody began one. `recent` are the newest batches of each, where they were read already.
 */
export async function listLabels(
	db: Database,
	kitchen: Kitchen,
	recent?: readonly TellingBatch[]
): Promise<Label[]> {
	const begun = await known(db, kitchen.id, `labels but ${kitchen.rules}`, () =>
		db('labels')
			.where('kitchen_id', kitchen.id)
			.whereNot('rules', kitchen.rules)
			.select('product_id', 'rules')
	);
	const labels = await readLabels(db, kitchen, { recent });
	for (const rules of otherRules(kitchen.rules)) {
		const ids = new Set(begun.flatMap((row) => (row.rules === rules ? row.product_id : [])));
		if (ids.size === 0) continue;
		const others = await readLabels(db, { ...kitchen, rules }, { recent });
		labels.push(...others.filter((label) => ids.has(label.product.id)));
	}
	return labels.toSorted((a, b) => a.product.name.localeCompare(b.product.name));
}

/** The label of one product by the kitchen's rule set, or by the one its `rules` are set to. Throws `NotFound`. */
export async function getLabel(db: Database, kitchen: Kitchen, productId: string): Promise<Label> {
	const [label] = await readLabels(db, kitchen, { productId });
	if (!label) throw new NotFound('this label is not here');
	return label;
}

async function readLabels(
	db: Database,
	kitchen: Kitchen,
	{ productId, recent }: { productId?: string; recent?: readonly TellingBatch[] | undefined }
): Promise<Label[]> {
	const everyFormula = await listFormulas(db, kitchen.id);
	const formulas = everyFormula.filter(
		(formula) =>
			formula.number > 0 &&
			!formula.archived &&
			(!productId || formula.products.some((product) => product.id === productId))
	);
	const only = formulas.length === 1 ? formulas[0]?.id : undefined;
	const [ingredients, packs, batches, saved, revisions, { profile }, tests] = await Promise.all([
		listIngredients(db, kitchen.id),
		pricePacks(db, kitchen.id),
		recent ?? (only ? tellingOf(db, kitchen, only) : recentTelling(db, kitchen)),
		known(db, kitchen.id, `labels ${kitchen.rules}`, () =>
			db('labels').where({ kitchen_id: kitchen.id, rules: kitchen.rules })
		),
		readRevisions(db, kitchen, productId),
		getProfile(db, kitchen.id),
		shelfTests(db, kitchen.id)
	]);
	const shelf = [...coreShelf(ingredients, packs, today(kitchen), kitchen.rules).values()];
	const sources = sourcesOf(ingredients.map((ingredient) => ingredient.composition));
	const losses = cookLossHistory(batches);
	const byFormula = groupBy(batches, (batch) => batch.formulaId);
	// Only a product that was made once or twice asks how much batches of its family differ.
	const few = formulas.some(({ id }) => telling(byFormula.get(id) ?? []).length < 3);
	const familyOf = new Map(everyFormula.map(({ id, family }) => [id, family]));
	const byFamily = groupBy(
		few && only ? await recentTelling(db, kitchen) : batches,
		(batch) => familyOf.get(batch.formulaId) ?? ''
	);
	const spreadOf = (family: string) => (family === '' ? null : lossSpread(byFamily.get(family) ?? []));
	const designs = new Map(saved.map((row) => [row.product_id, row]));

	const designOf = (productId: string) => {
		const row = designs.get(productId);
		return row ? { ...LATER_DECIDED, ...(JSON.parse(row.design) as LabelDesign) } : null;
	};
	const contacts = await contactOfProducts(
		db,
		kitchen,
		formulas.flatMap((formula) =>
			formula.products.map(({ id }) => ({
				id,
				ingredients: [...new Set(formula.lines.map((line) => line.ingredient))],
				keepDays: designOf(id)?.bestBeforeDays ?? null
			}))
		),
		ingredients
	);

	return formulas.flatMap((formula) =>
		formula.products
			.filter((product) => !productId || product.id === productId)
			.map((product) => {
				const row = designs.get(product.id);
				const design = designOf(product.id) ?? usualDesign(kitchen, formula);
				const contact = contacts.get(product.id);
				if (!contact) throw new Error(`no cross-contact of product ${product.id}`);
				const { lines, taken } = asTaken(formula.lines, byFeelOf(byFormula.get(formula.id) ?? []));
				const plain = recipeOf(partsOfFormula(kitchen, { ...formula, lines }, product, shelf));
				const weighings = weighed(byFormula.get(formula.id) ?? [], product, spreadOf(formula.family));
				return {
					taken,
					...standing(plain, design, product, losses.get(formula.id) ?? null, {
						revisions: revisions.get(product.id) ?? [],
						contact,
						profile,
						choices: formula.choices,
						recommended: weighings.recommended,
						shelfTests: tests.get(product.id) ?? []
					}),
					version: row ? row.version : 0,
					formulaNumber: formula.number,
					formulaVersionId: formula.versionId,
					...weighings,
					sources
				};
			})
	);
}

/** What is derived of a design, and how it stands to what was approved. */
function standing(
	plain: Recipe,
	design: LabelDesign,
	product: Product,
	cookLoss: number | null,
	{
		revisions,
		contact,
		profile,
		choices,
		recommended,
		shelfTests
	}: Pick<Label, 'revisions' | 'contact' | 'profile' | 'choices' | 'recommended' | 'shelfTests'>
) {
	const recipe = worded(plain, design);
	const outcome = derivePlan(recipe, cookLoss);
	const facts = outcome.ok ? outcome.value : null;
	const content = facts
		? labelContent(recipe.rules, facts, recipe.product, design, {
				mayContain: contact.accepted,
				profile,
				bars: barcodeBars(design.barcode)
			})
		: null;
	const [newest] = revisions;
	return {
		product,
		design,
		plainRecipe: plain,
		cookLoss,
		facts,
		content,
		contact,
		profile,
		choices,
		blocks: facts
			? // The shelf's own names are what a wording is held against.
				[
					...labelBlocks(plain, facts, design, profile, choices),
					...shelfLifeBlocks(design, borneOut(shelfTests, 'baked')),
					...declarationBlocks(design.declared_g, recommended?.meanPack_g ?? null),
					...contactBlocks(contact)
				]
			: (outcome.ok ? [] : outcome.problems).map(({ message }) => ({
					message,
					ingredient: null,
					field: null
				})),
		misfits: content ? layoutLabel(content, design.declared_g ?? 1, LONGEST_MARKS).problems : [],
		revisions,
		shelfTests,
		changes: newest && content ? compareLabels(newest.content, content) : []
	};
}

/** What a label begins with: what the kitchen and the formula say already. */
function usualDesign(kitchen: Kitchen, formula: Formula): LabelDesign {
	return {
		...BLANK_DESIGN,
		name: formula.name,
		maker: kitchen.name,
		address: [kitchen.address, kitchen.town].filter(Boolean).join(', '),
		size: USUAL_SIZE
	};
}

/** What the newest batches bear out: a declaration, and what the ball weight of the next is worked out from. */
function weighed(
	batches: readonly TellingBatch[],
	product: Product,
	family: PooledSpread | null
): Pick<Label, 'recommended' | 'ballBasis'> {
	const newest = telling(batches.filter((batch) => batch.productId === product.id)).slice(0, HISTORY_BATCHES);
	const made = newest.filter(squares);
	const uptakes = made.flatMap(({ standing: { uptake_g, pieces } }) =>
		uptake_g !== null && pieces ? uptake_g / pieces : []
	);
	return {
		recommended: recommendDeclaration({
			batches_g: newest.map(({ standing }) => standing.finishedWeights_g),
			pieces: product.packPieces,
			cookLoss: mean(newest.flatMap(({ standing }) => standing.cookLoss ?? [])),
			family
		}),
		ballBasis:
			made.length === 0
				? null
				: {
						pieces: product.packPieces,
						uptake_g: mean(uptakes) ?? 0,
						ballsOff_g: ballsOff_g(made),
						cookLosses: made.flatMap(({ standing }) => standing.cookLoss ?? [])
					}
	};
}

/** What the first designs had not decided yet. */
const LATER_DECIDED = {
	food: '',
	leavePanelOut: false,
	face_mm: null,
	packArea_cm2: null,
	barcode: '',
	dateKind: null,
	defrosted: null
};
