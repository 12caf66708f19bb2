import { json } from '@sveltejs/kit';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { allCame, askJob } from '$lib/server/jobs/jobs.ts';
import { dropParts, PartsWriter } from '$lib/server/jobs/parts.ts';
import { lookForJobs } from '$lib/server/jobs/taking.ts';
import { newId } from '$lib/server/rows.ts';
import type { RestoreAsked } from '$lib/server/jobs/kinds/restore.ts';
import type { RequestHandler } from './$types';

/** Takes an archive in, part by part as it comes; the job that restores it is the answer. */
export const POST: RequestHandler = async ({ locals: { db, kitchen, ...locals }, request }) => {
	const who = whoIn(locals as App.Locals);
	const job = { id: newId(), kitchenId: kitchen.id, personId: who.personId };
	const asked: RestoreAsked = { name: who.name };
	await askJob(db, { ...job, kind: 'restore', name: 'an archive', asked, isComing: true });
	try {
		const parts = new PartsWriter(db, { kitchenId: kitchen.id, jobId: job.id, side: 'in' });
		for await (const piece of request.body ?? []) await parts.write(piece);
		await parts.end();
	} catch (error) {
		// Whoever sent it went away: nothing comes of it.
		await dropParts(db, job.id);
		await db('jobs').where('id', job.id).delete();
		throw error;
	}
	await allCame(db, job.id);
	lookForJobs();
	return json({ job: job.id });
};
