import type { IngredientInput } from '../shelf/ingredient.ts';
import type { PricePack } from '../shelf/price.ts';
import { noteOpenStandings } from './batches/change.ts';
import type { Database } from './db/connection.ts';
import { inTransaction } from './db/transaction.ts';
import { writeIngredient } from './ingredients.ts';
import { writePrice } from './prices.ts';
import { newId } from './rows.ts';

/**
 * The one way to change what batches go by: `act` names what it changed, and how open batches that use it stand is
 * noted anew in the same transaction.
 */
export async function changeShelf<R>(
	db: Database,
	kitchenId: string,
	act: (transaction: Database, changed: (ingredientId: string) => void) => Promise<R>
): Promise<R> {
	return inTransaction(db, async (transaction) => {
		const changed = new Set<string>();
		const result = await act(transaction, (id) => changed.add(id));
		if (changed.size > 0) await noteOpenStandings(transaction, kitchenId, [...changed]);
		return result;
	});
}

/**
 * Changes an ingredient that was opened at `version`. Throws `Stale` with the present state when somebody saved in
 * between, `Refused`, `NotFound`.
 */
export async function saveIngredient(
	db: Database,
	kitchenId: string,
	id: string,
	version: number,
	input: IngredientInput
): Promise<void> {
	await changeShelf(db, kitchenId, async (transaction, changed) => {
		await writeIngredient(transaction, kitchenId, id, version, input);
		changed(id);
	});
}

/** Adds a price pack; its id. One sent twice is one. */
export async function addPricePack(
	db: Database,
	kitchenId: string,
	ingredientId: string,
	pack: Omit<PricePack, 'id' | 'ingredientId'>,
	id = newId()
): Promise<string> {
	return changeShelf(db, kitchenId, async (transaction, changed) => {
		changed(ingredientId);
		return writePrice(transaction, kitchenId, ingredientId, pack, id);
	});
}
