import { hostname } from 'node:os';
import { randomUUID } from 'node:crypto';
import type { JobKind } from '../../jobs/types.ts';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { inTransaction } from '../db/transaction.ts';

/** A job as a process has it. */
export interface Taken {
	id: string;
	kitchenId: string;
	personId: string;
	kind: JobKind;
	name: string;
	asked: string;
	/** Who has it: what is written to it goes by that, so that who lost it writes nothing more. */
	by: string;
	/** How often it was begun, this time too. */
	tries: number;
}

/** For so long a job is whose it is; who has it says again and again that it still has it. */
export const HELD_S = 15;
/** What ended so many processes is not begun again. */
export const MOST_TRIES = 3;
/** Of these one at a time in the whole installation: an older archive is lifted in a place of its own. */
const ALONE: readonly JobKind[] = ['restore'];

const me = `${hostname().slice(0, 20)} ${process.pid}`;

/** When a job that is taken now is free for others: by the database's clock, which all of them share. */
export const heldUntil = (db: Database) => db.raw<string>('UTC_TIMESTAMP(3) + INTERVAL ? SECOND', [HELD_S]);

type FreeRow = Pick<RowOf<'jobs'>, 'id' | 'kitchen_id' | 'person_id' | 'kind' | 'name' | 'asked' | 'tries'>;

/** Takes the oldest job that waits, or whose process is gone; null where there is none. */
export async function takeJob(db: Database): Promise<Taken | null> {
	const isThere = await db('jobs').whereIn('state', ['waiting', 'running']).first('id');
	if (!isThere) return null;
	return inTransaction(db, async (transaction) => {
		const held = () =>
			transaction('jobs')
				.where('state', 'running')
				.where('taken_until', '>', transaction.raw('UTC_TIMESTAMP(3)'));
		const alone = await held()
			.whereIn('kind', [...ALONE])
			.first('id');
		const [row] = await transaction('jobs')
			.where(
				(free) =>
					void free
						.where('state', 'waiting')
						.orWhere(
							(left) =>
								void left
									.where('state', 'running')
									.where('taken_until', '<=', transaction.raw('UTC_TIMESTAMP(3)'))
						)
			)
			.whereNotIn('kind', alone ? [...ALONE] : [])
			.orderBy('asked_at')
			.limit(1)
			.forUpdate()
			.skipLocked()
			.select<FreeRow[]>('id', 'kitchen_id', 'person_id', 'kind', 'name', 'asked', 'tries');
		if (!row) return null;
		const by = `${me} ${randomUUID().slice(0, 8)}`.slice(0, 40);
		await transaction('jobs')
			.where('id', row.id)
			.update({
				state: 'running',
				taken_by: by,
				taken_until: heldUntil(transaction),
				tries: row.tries + 1,
				done: 0,
				done_of: null
			});
		return {
			id: row.id,
			kitchenId: row.kitchen_id,
			personId: row.person_id,
			kind: row.kind as JobKind,
			name: row.name,
			asked: row.asked,
			by,
			tries: row.tries + 1
		};
	});
}

/** Says that a process still has a job, and how far it is; false where it has it no more: stopped, or taken by another. */
export async function holdOn(
	db: Database,
	job: Taken,
	{ done, of }: { done: number; of: number | null }
): Promise<boolean> {
	const held = await db('jobs')
		.where({ id: job.id, taken_by: job.by })
		.update({ taken_until: heldUntil(db), done, done_of: of });
	return held === 1;
}

/** Whether a process still has a job; until the transaction ends nobody takes it up. */
export async function stillHas(transaction: Database, job: Taken): Promise<boolean> {
	const held = await transaction('jobs').where({ id: job.id, taken_by: job.by }).forUpdate().first('id');
	return held !== undefined;
}

/** Gives a job back undone: a process that ends in order leaves it to another at once. */
export async function giveBack(db: Database, job: Taken): Promise<void> {
	await db('jobs')
		.where({ id: job.id, taken_by: job.by })
		.update({ state: 'waiting', taken_by: null, taken_until: null, tries: job.tries - 1 });
}
