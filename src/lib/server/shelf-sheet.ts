import { allergensText } from '$core/allergens/list.ts';
import { roundTo } from '$core/measure/round.ts';
import type { Problem } from '$core/problem.ts';
import type { Kitchen } from '../kitchen/types.ts';
import type { ShelfIngredient } from '../shelf/ingredient.ts';
import type { SheetRow } from '../shelf/sheet.ts';
import type { Database } from './db/connection.ts';
import type { ShelfSheetForm } from './edge/shelf-sheet.ts';
import { Refused } from './errors.ts';
import { listIngredients } from './ingredients.ts';
import { today } from './kitchens.ts';
import { packGrams } from './pack-grams.ts';
import { priceOn, pricePacks, writePrice } from './prices.ts';
import { utcNow } from './rows.ts';
import { changeShelf } from './shelf-keep.ts';

/** Every ingredient that is bought, as a row; a mix follows from its lines. */
export async function shelfSheet(db: Database, kitchen: Kitchen): Promise<SheetRow[]> {
	const [shelf, packs] = await Promise.all([listIngredients(db, kitchen.id), pricePacks(db, kitchen.id)]);
	return shelf
		.filter(({ mix }) => mix === null)
		.map(({ id, version, name, allergens, confirmedOn, evidence }) => {
			const price = priceOn(packs, id, today(kitchen));
			return {
				id,
				version,
				name,
				allergens: allergensText(allergens),
				evidence: confirmedOn === null ? '' : evidence || 'confirmed',
				price: price ? `${price.amount} for ${roundTo(price.grams, 0.1)} g` : ''
			};
		});
}

/**
 * Keeps the rows that were changed, all of them or none: allergens with what confirmed them, and prices. Throws `Refused`
 * with each problem at its cell.
 */
export async function saveShelfSheet(
	db: Database,
	kitchen: Kitchen,
	rows: ShelfSheetForm['rows']
): Promise<void> {
	const day = today(kitchen);
	await changeShelf(db, kitchen.id, async (transaction, changed) => {
		const shelf = new Map((await listIngredients(transaction, kitchen.id)).map((each) => [each.id, each]));
		const problems: Problem[] = [];
		for (const [index, row] of rows.entries()) {
			const at = (cell: string, message: string) =>
				problems.push({ path: `rows[${index}].${cell}`, message });
			const ingredient = shelf.get(row.id);
			if (!ingredient || ingredient.mix !== null) {
				at('allergens', 'this ingredient is not on the shelf any more');
				continue;
			}
			if (!(await confirm(transaction, kitchen.id, ingredient, row, day)))
				at('allergens', `somebody changed ${ingredient.name} meanwhile: open the page again`);
			if (row.amount !== null) {
				const pack = packGrams(row.grams, ingredient, kitchen);
				if (!pack.ok) at('grams', pack.message);
				else
					await writePrice(
						transaction,
						kitchen.id,
						row.id,
						{ amount: row.amount, grams: pack.value, usable: 1, boughtOn: day, supplier: '' },
						row.key
					);
			} else if (row.grams !== '') at('amount', 'say what was paid for it');
			changed(row.id);
		}
		if (problems.length > 0) throw new Refused(problems);
	});
}

/** Writes the list and who vouches for it, where they are not what is there; false where somebody changed it since. */
async function confirm(
	db: Database,
	kitchenId: string,
	ingredient: ShelfIngredient,
	{ version, allergens, evidence }: ShelfSheetForm['rows'][number],
	day: string
): Promise<boolean> {
	const isSame = allergensText(ingredient.allergens) === allergensText(allergens);
	const isVouched = ingredient.confirmedOn !== null;
	if (
		isSame &&
		isVouched === (evidence !== '') &&
		(!isVouched || evidence === (ingredient.evidence || 'confirmed'))
	)
		return true;
	const count = await db('ingredients')
		.where({ kitchen_id: kitchenId, id: ingredient.id, version })
		.update({
			allergens: JSON.stringify(allergens),
			refined: JSON.stringify(ingredient.refined.filter((tag) => allergens.includes(tag))),
			allergens_confirmed_on: evidence === '' ? null : day,
			allergens_evidence: evidence,
			version: version + 1,
			updated_at: utcNow()
		});
	return count === 1;
}
