import { cut } from '$core/measure/text.ts';
import { rememberedName } from '$core/composition/match.ts';
import type { Database } from './db/connection.ts';
import { newId, utcNow } from './rows.ts';
import { inTransaction } from './db/transaction.ts';

/** What names in lines mean in this kitchen, by the name as the matcher keys it. */
export async function rememberedNames(db: Database, kitchenId: string): Promise<Map<string, string>> {
	const rows = await db('remembered_names').where('kitchen_id', kitchenId);
	return new Map(rows.map((row) => [row.name, row.ingredient_id]));
}

/** Remembers that a name means an ingredient; the newest word counts. Nothing is kept of a blank name. */
export async function rememberName(
	db: Database,
	kitchenId: string,
	said: string,
	ingredientId: string
): Promise<void> {
	const name = cut(rememberedName(said), 160);
	if (!name) return;
	await inTransaction(db, (transaction) =>
		transaction('remembered_names')
			.insert({ id: newId(), kitchen_id: kitchenId, name, ingredient_id: ingredientId, created_at: utcNow() })
			.onConflict(['kitchen_id', 'name'])
			.merge(['ingredient_id'])
	);
}

/** Forgets what a name means. */
export async function forgetName(db: Database, kitchenId: string, name: string): Promise<void> {
	await inTransaction(db, (transaction) =>
		transaction('remembered_names').where({ kitchen_id: kitchenId, name }).delete()
	);
}

/** Forgets what was said to mean something, as it was said. */
export async function forgetSaid(db: Database, kitchenId: string, said: string): Promise<void> {
	await forgetName(db, kitchenId, cut(rememberedName(said), 160));
}
