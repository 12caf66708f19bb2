import { error } from '@sveltejs/kit';
import { orNotFound } from '$lib/server/edge/actions.ts';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { mustBeProved } from '$lib/server/edge/door/proof.ts';
import { mayStillHave } from '$lib/server/jobs/may-still.ts';
import { jobOf } from '$lib/server/jobs/jobs.ts';
import { readParts } from '$lib/server/jobs/parts.ts';
import type { RequestHandler } from './$types';

/** What a job gave, part by part as it is taken; to whoever asked for it, while it is theirs to take. */
export const GET: RequestHandler = async (event) => {
	const { locals, params } = event;
	const { db } = locals;
	const who = whoIn(locals);
	const job = await orNotFound(jobOf(db, who.personId, params.job));
	const file = job.outcome?.file;
	if (!file)
		error(409, {
			message: 'There is no file to take.',
			remedy: 'Look at how far the work is, or ask for it again: what it gives is kept for a day.'
		});
	const needed = job.kind === 'labels' ? 'labels' : 'data';
	if (who.membership?.kitchenId !== job.kitchenId || !who.rights.includes(needed))
		error(403, {
			message: 'This is not yours to take here.',
			remedy: 'Open the kitchen it is of on this device first.'
		});
	// All of a kitchen, with its customers’ names, is not taken at a device that was left open.
	if (job.kind === 'archive') mustBeProved(event);
	const of = { personId: who.personId, kitchenId: job.kitchenId, kind: job.kind };
	const parts = readParts(db, { kitchenId: job.kitchenId, jobId: job.id, side: 'out' });
	const body = new ReadableStream<Uint8Array>({
		async pull(controller) {
			// Whoever is put out meanwhile has no more of it.
			if (!(await mayStillHave(db, of))) {
				controller.error(new Error('who takes this may not any more'));
				return;
			}
			const next = await parts.next();
			if (next.done) controller.close();
			else controller.enqueue(next.value);
		},
		cancel: async () => {
			await parts.return(undefined);
		}
	});
	return new Response(body, {
		headers: {
			'content-type': file.type,
			'content-length': String(file.bytes),
			'content-disposition': `attachment; filename="${file.name}"`
		}
	});
};
