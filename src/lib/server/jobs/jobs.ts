import { isOver, type Job, type JobKind, type JobOutcome, type JobState } from '../../jobs/types.ts';
import { cut } from '$core/measure/text.ts';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { madeOnce } from '../db/once.ts';
import { NotFound, refuse } from '../errors.ts';
import { utcAt, utcNow } from '../rows.ts';
import type { LabelsAsked } from './kinds/labels.ts';
import { mayStillHave } from './may-still.ts';
import { dropParts } from './parts.ts';

/** What somebody asks for that takes long. */
export interface Asking {
	/** From the form: asked for twice it is one. */
	id: string;
	kitchenId: string;
	personId: string;
	kind: JobKind;
	/** What it is of, by the name people know. */
	name: string;
	/** What the kind needs to know, as JSON. */
	asked: object;
}

const MOST_NAME = 200;

/** Puts a job where the next process that has time finds it. */
export async function askJob(db: Database, asking: Asking): Promise<void> {
	const { id, kitchenId } = asking;
	await madeOnce(db, { table: 'jobs', kitchenId, id }, (transaction) =>
		transaction('jobs').insert({ ...rowOf(asking), state: 'waiting' })
	);
}

/** A job as it is put down first. */
export const rowOf = ({ id, kitchenId, personId, kind, name, asked }: Asking) => ({
	id,
	kitchen_id: kitchenId,
	person_id: personId,
	kind,
	name: cut(name, MOST_NAME),
	asked: JSON.stringify(asked),
	asked_at: utcNow()
});

/** Has a job stopped, by whichever process has it; one that is over stays as it is. */
export async function stopJob(db: Database, personId: string, jobId: string): Promise<void> {
	const job = await jobOf(db, personId, jobId);
	if (isOver(job)) return;
	if (job.kind === 'remove') refuse('', 'a deletion that was begun is brought to its end');
	await db('jobs')
		.where({ id: job.id, person_id: personId })
		.whereIn('state', ['coming', 'waiting', 'running'])
		.update({ state: 'stopped', taken_by: null, taken_until: null, ended_at: utcNow() });
	// What a process is at is cleared by it, once it hears of this.
	if (job.state !== 'running') await dropParts(db, job.id);
}

type JobRow = Pick<
	RowOf<'jobs'>,
	'id' | 'kitchen_id' | 'kind' | 'name' | 'asked' | 'state' | 'done' | 'done_of' | 'outcome' | 'asked_at'
>;
const COLUMNS = [
	'id',
	'kitchen_id',
	'kind',
	'name',
	'asked',
	'state',
	'done',
	'done_of',
	'outcome',
	'asked_at'
] as const;

/** The page a job is of. */
function fromOf({ kind, asked }: JobRow): string {
	if (kind !== 'labels') return '/kitchen/data';
	const { productId, rules } = JSON.parse(asked) as LabelsAsked;
	return `/labels/${productId}?rules=${rules}`;
}

const toJob = (row: JobRow): Job => ({
	id: row.id,
	kitchenId: row.kitchen_id,
	kind: row.kind as JobKind,
	name: row.name,
	state: row.state as JobState,
	done: row.done,
	of: row.done_of,
	outcome: row.outcome === null ? null : (JSON.parse(row.outcome) as JobOutcome),
	askedAt: row.asked_at,
	from: fromOf(row)
});

/** A job of whoever asked for it. Throws `NotFound`. */
export async function jobOf(db: Database, personId: string, jobId: string): Promise<Job> {
	const row = await db('jobs')
		.where({ id: jobId, person_id: personId })
		.first<JobRow | undefined>([...COLUMNS]);
	const job = row && toJob(row);
	// Asked for as an owner, it is not taken as somebody who is none any more.
	if (!job || !(await mayStillHave(db, { personId, ...job }))) throw new NotFound('this work is not here');
	return job;
}

/** What somebody asked for in a kitchen lately, the newest first. */
export async function jobsOf(db: Database, kitchenId: string, personId: string): Promise<Job[]> {
	const MOST = 10;
	const rows = await db('jobs')
		.where({ kitchen_id: kitchenId, person_id: personId })
		.orderBy('asked_at', 'desc')
		.limit(MOST)
		.select<JobRow[]>([...COLUMNS]);
	return rows.map(toJob);
}

/** For so long what a job gave can be taken. */
const KEPT_MS = 24 * 3_600_000;
/** Whoever sends a file for longer than this has gone. */
const COMING_MS = 3_600_000;

/** Has a deletion that failed go on with what is left: half a kitchen is nobody's. */
export async function goOnWith(db: Database, personId: string, jobId: string): Promise<void> {
	const again = await db('jobs')
		.where({ id: jobId, person_id: personId, kind: 'remove', state: 'failed' })
		.update({ state: 'waiting', tries: 0, outcome: null, ended_at: null });
	if (again === 0) refuse('', 'there is nothing to go on with');
}

/** Lets go of jobs that ended long ago, and of those that never came whole. */
export async function forgetOldJobs(db: Database, now = Date.now()): Promise<void> {
	const before = (ms: number) => utcAt(now - ms);
	const old = await db('jobs')
		.where(
			(over) =>
				void over
					.whereNotNull('ended_at')
					.where('ended_at', '<', before(KEPT_MS))
					// A deletion that failed is gone on with, whenever.
					.whereNot({ kind: 'remove', state: 'failed' })
		)
		.orWhere(
			(never) =>
				void never
					.where('state', 'coming')
					.where('asked_at', '<', before(COMING_MS))
					// A slow line that still sends is not gone.
					.where((left) => void left.whereNull('taken_until').orWhere('taken_until', '<', before(0)))
		)
		.limit(20)
		.pluck<string[]>('id');
	for (const id of old) {
		await dropParts(db, id);
		await db('jobs').where('id', id).delete();
	}
}
