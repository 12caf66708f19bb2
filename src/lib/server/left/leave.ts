import type { QueueName, Whose } from '../../left/types.ts';
import { rightsOf, type Right } from '../../people/roles.ts';
import { dayNow } from '../../day.ts';
import type { Database } from '../db/connection.ts';
import { TAKEN } from '../db/once.ts';
import { inTransaction } from '../db/transaction.ts';
import { refuse } from '../errors.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { utcNow } from '../rows.ts';
import { countLeft } from './read.ts';

/** What a device hands over: the entry as it is, why it was not taken, and the reason of who takes it off. */
export interface Leaving {
	id: string;
	item: object;
	message: string;
	reason: string;
}

/** Nobody looks through more; it is no way around what a kitchen may keep. */
const MOST_WAITING = 2000;

const ASKED: Readonly<Record<QueueName, Right>> = { bench: 'make', till: 'sell' };

/** Of members of a kitchen, those who were among them too, whether they can hand in themselves what waits on a device. */
export async function whose(db: Database, kitchen: Kitchen, ids: readonly string[]): Promise<Whose[]> {
	const rows = await db('memberships')
		.where('kitchen_id', kitchen.id)
		.whereIn('id', [...ids])
		.select('id', 'name', 'role', 'until_day', 'ended_at');
	return rows.map(({ id, name, role, until_day, ended_at }) => {
		const rights = rightsOf(role as Parameters<typeof rightsOf>[0], false);
		const isOver = ended_at !== null || (until_day !== null && until_day < dayNow(kitchen.timeZone));
		return { id, name, canSend: !isOver && Object.values(ASKED).some((right) => rights.includes(right)) };
	});
}

/**
 * Keeps entries that a device cannot hand in as who made them, for the owner to decide: of who is in, or of somebody who
 * cannot send them any more. With a reason they are let go of at once. Each once, under its own id. Throws `Refused`.
 */
export async function leave(
	db: Database,
	kitchen: Kitchen,
	me: string,
	{ of, queue, left }: { of: string; queue: QueueName; left: readonly Leaving[] }
): Promise<void> {
	if (of !== me) {
		const [them] = await whose(db, kitchen, [of]);
		if (!them) refuse('of', 'whoever made these does not belong to this kitchen');
		if (them.canSend) refuse('of', `${them.name} can send these: they wait until ${them.name} is in`);
	}
	await inTransaction(db, async (transaction) => {
		if ((await countLeft(transaction, kitchen.id)) + left.length > MOST_WAITING)
			refuse('', 'more is left on devices than the owner can look through: record or let go of that first');
		const now = utcNow();
		await transaction('left_entries')
			.insert(
				left.map(({ id, item, message, reason }) => {
					const isLetGo = reason !== '' && of === me;
					return {
						id,
						kitchen_id: kitchen.id,
						membership_id: of,
						queue,
						item: JSON.stringify(item),
						message,
						reason: isLetGo ? reason : '',
						state: isLetGo ? 'let go' : 'waits',
						left_at: now,
						decided_at: isLetGo ? now : null
					};
				})
			)
			.onConflict(['id'])
			.ignore();
		// Sent again it is there already; an id that is anything else's is told of, and the device keeps its entry.
		const there = await transaction('left_entries')
			.where({ kitchen_id: kitchen.id, membership_id: of, queue })
			.whereIn(
				'id',
				left.map(({ id }) => id)
			)
			.pluck<string[]>('id');
		if (there.length < new Set(left.map(({ id }) => id)).size) refuse('', TAKEN);
	});
}
