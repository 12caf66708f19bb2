import type { EventEntry, WeighingEntry } from '$core/bench/entries.ts';
import { processOf } from '$core/formula/process.ts';
import { FAMILIES } from '$core/formula/families.ts';
import { notedBefore, type Noted } from '$core/practice/helper.ts';
import { BOWL, TOOLS, type Truth } from '$core/practice/truth.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { createBatch } from '../batches/create.ts';
import { setEquipment } from '../batches/equipment.ts';
import { getBatch } from '../batches/read.ts';
import { keepEntries } from '../bench/entries.ts';
import type { Database } from '../db/connection.ts';
import { addEquipment } from '../equipment.ts';
import { createFormula } from '../formulas/keep.ts';
import { getFormula } from '../formulas/read.ts';
import { addIngredient } from '../ingredients.ts';
import { today } from '../kitchens.ts';
import { writePrice } from '../prices.ts';
import { newId } from '../rows.ts';
import type { Laid } from './laid.ts';
import { layStory } from './stories.ts';

const FAMILY = 'tortilla-cut-in';

/** Lays out a story’s kitchen: shelf, formula, tools, and the batch as the helper left it. */
export async function layKitchen(db: Database, kitchen: Kitchen, truth: Truth): Promise<Laid> {
	const { recipe } = truth.setting;
	const day = today(kitchen);
	const ingredients = new Map<string, string>();
	for (const each of recipe.ingredients) {
		const id = await addIngredient(db, kitchen.id, {
			name: each.name,
			kind: each.kind,
			labelUs: each.label.us ?? '',
			labelEu: each.label.eu ?? '',
			parts: each.parts,
			allergens: each.allergens ?? [],
			refined: each.refined,
			mayContain: [],
			// What nobody has confirmed in the real kitchen is not confirmed by being practised on.
			confirmedOn: each.allergens === null ? null : day,
			evidence: 'the bag before this one',
			per100g: each.per100g,
			source: 'reference',
			sourceNote: 'of the story'
		});
		ingredients.set(each.id, id);
		if (each.price)
			await writePrice(db, kitchen.id, id, { ...each.price, boughtOn: day, supplier: 'Corner shop' });
	}
	const equipment = new Map<string, string>();
	for (const name of TOOLS)
		equipment.set(name, await addEquipment(db, kitchen.id, name, name === BOWL.name ? BOWL.tare_g : null));
	const of = (id: string) => ingredients.get(id) ?? '';
	const { product, formula } = recipe;
	const formulaId = await createFormula(db, kitchen.id, newId(), {
		name: formula.name,
		mixGap: formula.mixGap,
		family: FAMILY,
		choices: {},
		steps: processOf(FAMILIES.find(({ id }) => id === FAMILY) ?? null, {}).steps,
		lines: formula.lines.map((line) => ({ ...line, ingredient: of(line.ingredient) })),
		product: {
			pieceOne: product.one,
			pieceMany: product.many,
			category: product.category,
			ballWeight_g: product.ballWeight_g ?? 50,
			packPieces: product.packPieces ?? 6,
			servingPieces: product.servingPieces,
			price: '6.00',
			materials: product.materials
		},
		productId: null
	});
	const productId = (await getFormula(db, kitchen.id, formulaId)).products[0]?.id ?? '';
	const batchId = await createBatch(db, kitchen, newId(), { productId, madeOn: day, factor: 1 });
	await setEquipment(db, kitchen.id, batchId, [...equipment.values()]);
	const laid = { ingredients, equipment, productId, batchId };
	await noteBefore(db, kitchen, truth, laid);
	await layStory(db, kitchen, truth, laid);
	return laid;
}

/** Puts into the record what the helper wrote down, as it would have come from the bench. */
async function noteBefore(db: Database, kitchen: Kitchen, truth: Truth, laid: Laid): Promise<void> {
	const noted = notedBefore(truth);
	if (noted.length === 0) return;
	const { lines } = await getBatch(db, kitchen, laid.batchId);
	const began_ms = Date.now() - noted.length * 30_000;
	const lineOf = ({ ingredient, what }: Extract<Noted, { kind: 'weighed' }>): string | null => {
		if (ingredient === null) return null;
		const id = laid.ingredients.get(ingredient);
		const at = recipeLine(truth, ingredient, what === 'set out');
		return lines[at]?.id ?? lines.find((line) => line.ingredient === id)?.id ?? null;
	};
	const entries = noted.map((each, at): WeighingEntry | EventEntry => {
		const common = { id: newId(), number: null, at: new Date(began_ms + at * 30_000).toISOString() };
		return each.kind === 'counted'
			? {
					...common,
					kind: 'event',
					happening: { name: 'counted', of: each.of, count: each.count },
					voids: null
				}
			: {
					...common,
					kind: 'weighing',
					what: each.what,
					lineId: lineOf(each),
					grams: each.grams,
					corrects: null,
					by: 'scale',
					lotId: null
				};
	});
	await keepEntries(db, kitchen, laid.batchId, entries);
}

/** The place of a line: flour can be in the dough and on the board. */
const recipeLine = ({ setting }: Truth, ingredient: string, onSurface: boolean): number =>
	setting.recipe.formula.lines.findIndex(
		(line) => line.ingredient === ingredient && (line.use !== 'dough') === onSurface
	);
