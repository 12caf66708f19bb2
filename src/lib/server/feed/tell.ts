import type { Entry } from '$core/bench/entries.ts';
import type { Database } from '../db/connection.ts';
import { utcAt, utcNow } from '../rows.ts';

/** What other devices of a kitchen are told. */
export interface News {
	batchId: string;
	/** What was added; empty where the whole record changed and has to be read again. */
	entries: Entry[];
	/** Who may what changed: what goes on is asked again. It is told to no browser. */
	access?: true;
}

/** What was told longer ago is in what a page reads when it opens: nobody asks for it any more. */
const KEPT_MS = 3_600_000;
/** What is old is looked for each time so many more were told: a kitchen keeps its last hour and at most so many. */
const LOOKED_FOR_EVERY = 100;

/**
 * Tells every device that has the kitchen open, at whatever process: in the transaction of what is told, so that it is
 * told if and only if it is so. The kitchen's numbers are given one after the other as transactions are committed.
 */
export async function tell(transaction: Database, kitchenId: string, news: News): Promise<void> {
	await transaction('feed_heads')
		.insert({ kitchen_id: kitchenId, number: 1 })
		.onConflict('kitchen_id')
		.merge({ number: transaction.raw('feed_heads.number + 1') });
	const head = await transaction('feed_heads').where('kitchen_id', kitchenId).first('number');
	const number = head?.number ?? 1;
	await transaction('feed').insert({
		kitchen_id: kitchenId,
		number,
		news: JSON.stringify(news),
		told_at: utcNow()
	});
	if (number % LOOKED_FOR_EVERY === 0) await forgetOld(transaction, kitchenId);
}

/** Has every stream of some kitchens ask again, at whatever process it is, whether whoever listens still may. */
export async function tellOfAccess(
	transaction: Database,
	kitchenIds: readonly (string | null)[]
): Promise<void> {
	for (const kitchenId of new Set(kitchenIds.filter((id) => id !== null)))
		await tell(transaction, kitchenId, { batchId: '', entries: [], access: true });
}

/** Lets go of what a kitchen was told long ago. */
export async function forgetOld(db: Database, kitchenId: string, now = Date.now()): Promise<void> {
	const before = utcAt(now - KEPT_MS);
	await db('feed').where('kitchen_id', kitchenId).where('told_at', '<', before).delete();
}
