import type { ShelfIngredient, IngredientInput } from '../shelf/ingredient.ts';
import type { MixLine } from '$core/formula/mix.ts';
import type { Kind } from '$core/composition/kinds.ts';
import { partOf, type PartDocument } from '$core/file/document.ts';
import { addComposition, currentCompositions, sameComposition } from './compositions.ts';
import type { StoredComposition } from '../shelf/composition.ts';
import type { Database } from './db/connection.ts';
import type { RowOf } from './db/tables.ts';
import { known } from './db/known.ts';
import { madeOnce } from './db/once.ts';
import { inTransaction } from './db/transaction.ts';
import { isDuplicate, NotFound, refuse, Stale } from './errors.ts';
import { measuresByIngredient } from './measures.ts';
import type { StoredMeasure } from '../shelf/ingredient.ts';
import { mixLines, setMixLines } from './mixes.ts';
import { newId, toList, toNumber, utcNow, type Cells } from './rows.ts';

function fromRow(
	row: RowOf<'ingredients'>,
	composition: StoredComposition,
	mixes: Map<string, MixLine[]>,
	measures: Map<string, StoredMeasure[]>
): ShelfIngredient {
	return {
		id: row.id,
		name: row.name,
		kind: row.kind as Kind,
		labelUs: row.label_us ?? '',
		labelEu: row.label_eu ?? '',
		// Kept in the form of the file, where a part without parts says nothing of them.
		parts: toList<PartDocument>(row.parts).map(partOf),
		allergens: toList<string>(row.allergens),
		refined: toList<string>(row.refined),
		mayContain: toList<string>(row.may_contain),
		confirmedOn: row.allergens_confirmed_on,
		evidence: row.allergens_evidence,
		version: row.version,
		composition,
		referenceId: row.reference_id,
		mix: row.is_mix === 1 ? (mixes.get(row.id) ?? []) : null,
		portion_g: toNumber(row.portion_g),
		measures: measures.get(row.id) ?? []
	};
}

/** Every ingredient of the kitchen by name, or those named by id. */
export async function listIngredients(
	db: Database,
	kitchenId: string,
	ids?: string[]
): Promise<ShelfIngredient[]> {
	return known(db, kitchenId, `ingredients ${ids?.join() ?? ''}`, () => readIngredients(db, kitchenId, ids));
}

async function readIngredients(db: Database, kitchenId: string, ids?: string[]): Promise<ShelfIngredient[]> {
	const query = db('ingredients').where('kitchen_id', kitchenId).orderBy('name');
	if (ids) query.whereIn('id', ids);
	// First what there is, then what belongs to it: one that comes between is no ingredient without values.
	const rows = await query;
	const [compositions, mixes, measures] = await Promise.all([
		currentCompositions(db, kitchenId, ids),
		mixLines(db, kitchenId),
		measuresByIngredient(db, kitchenId)
	]);
	return rows.map((row) => {
		const composition = compositions.get(row.id);
		if (!composition) throw new Error(`ingredient ${row.id} has no composition`);
		return fromRow(row, composition, mixes, measures);
	});
}

/** One ingredient. Throws `NotFound`. */
export async function getIngredient(db: Database, kitchenId: string, id: string): Promise<ShelfIngredient> {
	const [ingredient] = await listIngredients(db, kitchenId, [id]);
	if (!ingredient) throw new NotFound('this ingredient is not on the shelf');
	return ingredient;
}

function columns(input: IngredientInput): Cells {
	return {
		name: input.name,
		kind: input.kind,
		label_us: input.labelUs || null,
		label_eu: input.labelEu || null,
		parts: input.parts.length > 0 ? JSON.stringify(input.parts) : null,
		allergens: JSON.stringify(input.allergens),
		// A mark beside a tag: without the tag it says nothing.
		refined: JSON.stringify((input.refined ?? []).filter((tag) => input.allergens.includes(tag))),
		may_contain: input.mayContain?.length ? JSON.stringify(input.mayContain) : null,
		allergens_confirmed_on: input.confirmedOn,
		allergens_evidence: input.evidence,
		is_mix: input.mix != null,
		portion_g: input.portion_g ?? null,
		updated_at: utcNow()
	};
}

const nameTaken = (name: string) => refuse('name', `the shelf already has an ingredient called "${name}"`);

/** Puts an ingredient on the shelf; its id. Throws `Refused` when the name is taken. */
export async function addIngredient(
	db: Database,
	kitchenId: string,
	input: IngredientInput,
	id = newId()
): Promise<string> {
	await madeOnce(db, { table: 'ingredients', kitchenId, id }, async (transaction) => {
		await transaction('ingredients')
			.insert({
				id,
				kitchen_id: kitchenId,
				reference_id: input.referenceId ?? null,
				...columns(input),
				created_at: utcNow()
			})
			.catch((error: unknown) => {
				if (isDuplicate(error)) nameTaken(input.name);
				throw error;
			});
		if (input.mix) await setMixLines(transaction, kitchenId, id, input.mix);
		await addComposition(transaction, kitchenId, id, input);
	});
	return id;
}

/**
 * Changes the row of an ingredient that was opened at `version`; a changed composition is kept beside the older one.
 * Within `changeShelf`, which sees to what follows. Throws `Stale` with the present state when somebody saved in
 * between, `Refused`, `NotFound`.
 */
export async function writeIngredient(
	db: Database,
	kitchenId: string,
	id: string,
	version: number,
	input: IngredientInput
): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const changed = await transaction('ingredients')
			.where({ kitchen_id: kitchenId, id, version })
			.update({ ...columns(input), version: version + 1 })
			.catch((error: unknown) => {
				if (isDuplicate(error)) nameTaken(input.name);
				throw error;
			});
		const current = await getIngredient(transaction, kitchenId, id);
		if (changed === 0) throw new Stale(current);
		if (input.mix) await setMixLines(transaction, kitchenId, id, input.mix);
		if (!sameComposition(current.composition, input)) await addComposition(transaction, kitchenId, id, input);
	});
}
