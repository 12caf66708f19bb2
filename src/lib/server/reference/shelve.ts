import { measuresInSet } from '$core/measure/convert.ts';
import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { NotFound } from '../errors.ts';
import { addIngredient, listIngredients } from '../ingredients.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { today } from '../kitchens.ts';
import { setMeasures } from '../measures.ts';
import { writePrice } from '../prices.ts';
import { referenceRows } from './read.ts';

/**
 * Puts a reference row on the shelf as it is, its allergens noted and nobody yet vouching for them, but for water; the
 * id of the ingredient, or of the one that was there from that row already. Throws `NotFound`.
 */
export async function shelveReference(db: Database, kitchen: Kitchen, referenceId: string): Promise<string> {
	const row = referenceRows().get(referenceId);
	if (!row) throw new NotFound('there is no such reference row');
	const shelf = await listIngredients(db, kitchen.id);
	const there = shelf.find(
		(ingredient) => ingredient.referenceId === referenceId || ingredient.name === row.name
	);
	if (there) return there.id;
	// Nobody has a pack of tap water to read, or pays for it by the pack.
	const isWater = row.kind === 'water';
	return inTransaction(db, async (transaction) => {
		const id = await addIngredient(transaction, kitchen.id, {
			name: row.name,
			kind: row.kind,
			labelUs: row.labelUs,
			labelEu: row.labelEu,
			parts: [],
			allergens: row.allergens,
			refined: row.refined,
			confirmedOn: isWater ? today(kitchen) : null,
			evidence: isWater ? 'drinking water holds none' : '',
			per100g: row.per100g,
			source: 'reference',
			sourceNote: row.source,
			referenceId
		});
		const measures = measuresInSet(row.measures, 'us', kitchen.measureSet);
		await setMeasures(transaction, kitchen.id, id, measures, 'reference');
		if (isWater)
			await writePrice(transaction, kitchen.id, id, {
				amount: '0.00',
				grams: 1000,
				usable: 1,
				boughtOn: today(kitchen),
				supplier: 'tap'
			});
		return id;
	});
}
