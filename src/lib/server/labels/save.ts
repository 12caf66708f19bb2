import { lostAllergenWords } from '$core/label/wording.ts';
import type { LabelDesign } from '$core/label/content.ts';
import type { Database } from '../db/connection.ts';
import { isDuplicate, refuse, Stale } from '../errors.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { readCoreShelf } from '../shelf.ts';
import { today } from '../kitchens.ts';
import { newId, utcNow } from '../rows.ts';
import { getLabel } from './read.ts';
import { inTransaction } from '../db/transaction.ts';

/**
 * Saves the design of a product's label that was opened at `version`, 0 for the first. Refuses a wording
 * that loses an allergen's word; throws `Stale` with what is there now, and `NotFound`.
 */
export async function saveLabel(
	db: Database,
	kitchen: Kitchen,
	productId: string,
	version: number,
	design: LabelDesign
): Promise<void> {
	const current = await getLabel(db, kitchen, productId);
	const shelf = await readCoreShelf(db, kitchen, today(kitchen));
	for (const [id, wording] of Object.entries(design.wording)) {
		const ingredient = shelf.find((each) => each.id === id);
		const [lost] = ingredient ? lostAllergenWords(ingredient, kitchen.rules, wording) : [];
		if (ingredient && lost)
			refuse(`wording.${id}`, `loses the word ${lost}, an allergen of ${ingredient.name}`);
	}
	const now = utcNow();
	const row = { design: JSON.stringify(design), updated_at: now };
	if (version === 0) {
		await inTransaction(db, (transaction) =>
			transaction('labels')
				.insert({
					id: newId(),
					kitchen_id: kitchen.id,
					product_id: productId,
					rules: kitchen.rules,
					...row,
					created_at: now
				})
				.catch((error: unknown) => {
					if (isDuplicate(error)) throw new Stale(current);
					throw error;
				})
		);
		return;
	}
	const changed = await inTransaction(db, (transaction) =>
		transaction('labels')
			.where({ kitchen_id: kitchen.id, product_id: productId, rules: kitchen.rules, version })
			.update({ ...row, version: version + 1 })
	);
	if (changed === 0) throw new Stale(await getLabel(db, kitchen, productId));
}
