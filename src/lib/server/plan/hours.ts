import type { Hours } from '../../plan/types.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { inTransaction } from '../db/transaction.ts';
import { newId, utcNow } from '../rows.ts';

/** When each place sells, where somebody said so. */
export function placeHours(db: Database, kitchenId: string): Promise<Map<string, Hours>> {
	return known(db, kitchenId, 'place hours', async () => {
		const rows = await db('place_hours').where('kitchen_id', kitchenId);
		return new Map(
			rows.map(({ place, opens_at, closes_at }) => [
				place,
				{ opens: opens_at.slice(0, 5), closes: closes_at.slice(0, 5) }
			])
		);
	});
}

/** Says when a place sells. */
export async function setHours(
	db: Database,
	kitchenId: string,
	place: string,
	{ opens, closes }: Hours
): Promise<void> {
	const row = { opens_at: opens, closes_at: closes, updated_at: utcNow() };
	await inTransaction(db, (transaction) =>
		transaction('place_hours')
			.insert({ id: newId(), kitchen_id: kitchenId, place, ...row })
			.onConflict(['kitchen_id', 'place'])
			.merge(row)
	);
}
