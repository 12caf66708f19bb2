import type { PricePack } from '../shelf/price.ts';
import type { Price } from '$core/formula/types.ts';
import type { RowOf } from './db/tables.ts';
import type { Database } from './db/connection.ts';
import { known } from './db/known.ts';
import { insertOnce } from './db/once.ts';
import { newId, toMoney, utcNow } from './rows.ts';

function fromRow(row: RowOf<'price_packs'>): PricePack {
	return {
		id: row.id,
		ingredientId: row.ingredient_id,
		amount: toMoney(row.amount),
		grams: Number(row.grams),
		usable: Number(row.usable),
		boughtOn: row.bought_on,
		supplier: row.supplier
	};
}

/** Every price pack of the kitchen, or of one ingredient, newest first. */
export async function pricePacks(
	db: Database,
	kitchenId: string,
	ingredientId?: string
): Promise<PricePack[]> {
	return known(db, kitchenId, `prices ${ingredientId ?? ''}`, async () => {
		const query = db('price_packs').where('kitchen_id', kitchenId);
		if (ingredientId) query.where('ingredient_id', ingredientId);
		const rows = await query.orderBy([
			{ column: 'bought_on', order: 'desc' },
			{ column: 'id', order: 'desc' }
		]);
		return rows.map(fromRow);
	});
}

/** The price in force on a day: the pack bought last up to then (computation, section 11). */
export function priceOn(
	packsNewestFirst: readonly PricePack[],
	ingredientId: string,
	day: string
): Price | null {
	const pack = packsNewestFirst.find((each) => each.ingredientId === ingredientId && each.boughtOn <= day);
	return pack ? { amount: pack.amount, grams: pack.grams, usable: pack.usable } : null;
}

/**
 * Adds a price pack; its id. Prices are history: none is changed, and one sent twice is one. Within `changeShelf`, which
 * sees to what follows, unless the ingredient is new.
 */
export async function writePrice(
	db: Database,
	kitchenId: string,
	ingredientId: string,
	pack: Omit<PricePack, 'id' | 'ingredientId'>,
	id = newId()
): Promise<string> {
	await insertOnce(db, 'price_packs', {
		id,
		kitchen_id: kitchenId,
		ingredient_id: ingredientId,
		amount: pack.amount,
		grams: pack.grams,
		usable: pack.usable,
		bought_on: pack.boughtOn,
		supplier: pack.supplier,
		created_at: utcNow()
	});
	return id;
}
