import { json } from '@sveltejs/kit';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { askJobWith } from '$lib/server/jobs/given.ts';
import type { RestoreAsked } from '$lib/server/jobs/kinds/restore.ts';
import { lookForJobs } from '$lib/server/jobs/taking.ts';
import { newId } from '$lib/server/rows.ts';
import type { RequestHandler } from './$types';

/** Takes an archive in, part by part as it comes; the job that restores it is the answer. */
export const POST: RequestHandler = async ({ locals, request }) => {
	const { db, kitchen } = locals;
	const { personId, name } = whoIn(locals);
	const asked: RestoreAsked = { name };
	const job = { id: newId(), kitchenId: kitchen.id, personId };
	await askJobWith(db, { ...job, kind: 'restore', name: 'an archive', asked }, request.body ?? []);
	lookForJobs();
	return json({ job: job.id });
};
