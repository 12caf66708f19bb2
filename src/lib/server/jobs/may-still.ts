import { RIGHTS_OF, type Right, type Role } from '../../people/roles.ts';
import type { JobKind } from '../../jobs/types.ts';
import type { Database } from '../db/connection.ts';

/** What asking for each kind of long work asks; null of a deletion, which is brought to its end once it was begun. */
const ASKS: Readonly<Record<JobKind, Right | null>> = {
	archive: 'data',
	restore: 'data',
	'sales import': 'ledger',
	labels: 'labels',
	remove: null
};

/** Whether who asked for long work may still have it done, and take what came of it. */
export async function mayStillHave(
	db: Database,
	{ personId, kitchenId, kind }: { personId: string | null; kitchenId: string; kind: JobKind }
): Promise<boolean> {
	const asks = ASKS[kind];
	if (asks === null) return true;
	const member = await db('memberships')
		.where({ kitchen_id: kitchenId, person_id: personId })
		.whereNull('ended_at')
		.first('role');
	return member !== undefined && RIGHTS_OF[member.role as Role].includes(asks);
}
