import type { Database } from '../db/connection.ts';
import { inTransaction } from '../db/transaction.ts';
import { refuse } from '../errors.ts';
import { utcNow } from '../rows.ts';
import { endSessions } from './sessions.ts';

/** What stands in the lists of a kitchen in the place of somebody whose account is gone. */
const GONE = 'somebody who left';

/**
 * Deletes a person with all their keys and sessions. What they did stays with the kitchens, as done by somebody who
 * left: it is what a recall goes by. Refuses the only owner of a kitchen that others belong to.
 */
export async function erasePerson(db: Database, personId: string): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const mine = await transaction('memberships')
			.where('person_id', personId)
			.whereNull('ended_at')
			.forUpdate()
			.select('kitchen_id', 'role');
		for (const { kitchen_id } of mine.filter(({ role }) => role === 'owner')) {
			const others = await transaction('memberships')
				.where({ kitchen_id })
				.whereNull('ended_at')
				.whereNotNull('person_id')
				.whereNot('person_id', personId)
				.select('role');
			if (others.length > 0 && !others.some(({ role }) => role === 'owner'))
				refuse('', 'somebody has to own the kitchen that others work in: make another its owner first');
		}
		await transaction('memberships')
			.where('person_id', personId)
			.update({
				name: GONE,
				code_hash: null,
				person_id: null,
				ended_at: transaction.raw('COALESCE(ended_at, ?)', [utcNow()])
			});
		await endSessions(transaction, { person_id: personId });
		await transaction('persons').where('id', personId).delete();
	});
}
