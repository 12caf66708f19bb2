import { redirect } from '@sveltejs/kit';
import { orNotFound, saving } from '$lib/server/edge/actions.ts';
import { openHere } from '$lib/server/edge/door/come-in.ts';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { nothingForm } from '$lib/server/edge/people.ts';
import { refuse } from '$lib/server/errors.ts';
import { goOnWith, jobOf, stopJob } from '$lib/server/jobs/jobs.ts';
import { lookForJobs } from '$lib/server/jobs/taking.ts';
import { deletionOf } from '$lib/server/life/remove.ts';
import { isOfTheMoment } from '$lib/server/page.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params }) => {
	isOfTheMoment(locals);
	const job = await orNotFound(jobOf(locals.db, whoIn(locals).personId, params.job));
	return {
		job,
		/** Of a kitchen that was taken away: what went with it. */
		deletion:
			job.kind === 'remove' && job.state === 'done' ? await deletionOf(locals.db, job.kitchenId) : null
	};
};

export const actions: Actions = {
	stop: saving(nothingForm, async ({ locals, params }) => {
		await stopJob(locals.db, whoIn(locals).personId, params.job);
	}),
	again: saving(nothingForm, async ({ locals, params }) => {
		await goOnWith(locals.db, whoIn(locals).personId, params.job);
		lookForJobs();
	}),
	open: async (event) => {
		const job = await orNotFound(jobOf(event.locals.db, whoIn(event.locals).personId, event.params.job));
		if (!job.outcome?.kitchenId || job.kind !== 'restore') refuse('', 'there is nothing to open');
		else await openHere(event, job.outcome.kitchenId);
		redirect(303, '/');
	}
};
