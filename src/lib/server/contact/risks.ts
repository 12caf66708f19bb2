import type { StandingRisk } from '../../kitchen/types.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { insertOnce } from '../db/once.ts';
import { NotFound } from '../errors.ts';
import { newId, utcNow } from '../rows.ts';
import { inTransaction } from '../db/transaction.ts';

/** The kitchen's standing risks, oldest first; those that ended are left out. */
export async function standingRisks(db: Database, kitchenId: string): Promise<StandingRisk[]> {
	const rows = await known(db, kitchenId, 'risks', () =>
		db('standing_risks').where('kitchen_id', kitchenId).whereNull('ended_at').orderBy('id')
	);
	return rows.map((row) => ({ id: row.id, allergen: row.allergen, why: row.why }));
}

/** Notes a standing risk; its id, which makes one noted twice one. */
export async function addRisk(
	db: Database,
	kitchenId: string,
	risk: Omit<StandingRisk, 'id'>,
	id = newId()
): Promise<string> {
	await insertOnce(db, 'standing_risks', { id, kitchen_id: kitchenId, ...risk, created_at: utcNow() });
	return id;
}

/** Ends a standing risk. Throws `NotFound`. */
export async function endRisk(db: Database, kitchenId: string, id: string): Promise<void> {
	const changed = await inTransaction(db, (transaction) =>
		transaction('standing_risks').where({ kitchen_id: kitchenId, id }).update({ ended_at: utcNow() })
	);
	if (changed === 0) throw new NotFound('this risk is not here');
}
