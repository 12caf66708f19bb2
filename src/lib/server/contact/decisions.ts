import type { KeptDecision } from '../../batch/contact.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { groupBy, newId, utcNow } from '../rows.ts';
import { inTransaction } from '../db/transaction.ts';
import { doneBy } from '../people/deeds.ts';

/** Decisions by product, oldest first. */
export async function decisionsByProduct(
	db: Database,
	kitchenId: string
): Promise<Map<string, KeptDecision[]>> {
	const { rows, by } = await known(db, kitchenId, 'decisions', async () => {
		const all = await db('contact_decisions').where('kitchen_id', kitchenId).orderBy('id');
		const doers = await doneBy(
			db,
			kitchenId,
			all.map((row) => row.deed_id)
		);
		return { rows: all, by: doers };
	});
	return groupBy(
		rows.map((row) => ({
			id: row.id,
			productId: row.product_id,
			allergen: row.allergen,
			answer: row.answer as KeptDecision['answer'],
			source: row.source,
			sourceWords: row.source_words,
			reason: row.reason,
			decidedAt: row.decided_at,
			by: by.get(row.deed_id ?? '')?.name ?? ''
		})),
		(decision) => decision.productId
	);
}

/** What was decided last of a product's allergen. */
export async function newestDecision(
	db: Database,
	kitchenId: string,
	productId: string,
	allergen: string
): Promise<Pick<KeptDecision, 'answer' | 'source' | 'reason'> | null> {
	const row = await db('contact_decisions')
		.where({ kitchen_id: kitchenId, product_id: productId, allergen })
		.orderBy('id', 'desc')
		.first('answer', 'source', 'reason');
	return row ? { ...row, answer: row.answer as KeptDecision['answer'] } : null;
}

/** Keeps a decision. */
export async function keepDecision(
	db: Database,
	kitchenId: string,
	decision: Omit<KeptDecision, 'id' | 'decidedAt' | 'by'>,
	decidedAt = utcNow()
): Promise<void> {
	await inTransaction(db, (transaction) =>
		transaction('contact_decisions').insert({
			id: newId(),
			kitchen_id: kitchenId,
			product_id: decision.productId,
			allergen: decision.allergen,
			answer: decision.answer,
			source: decision.source,
			source_words: decision.sourceWords,
			reason: decision.reason,
			decided_at: decidedAt
		})
	);
}
