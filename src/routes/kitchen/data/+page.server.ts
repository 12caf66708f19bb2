import { redirect } from '@sveltejs/kit';
import { dayNow } from '$lib/day.ts';
import { archiveForm, leaveForm, openForm, newForm } from '$lib/server/edge/kitchen.ts';
import { saving, withDraft } from '$lib/server/edge/actions.ts';
import { openHere } from '$lib/server/edge/door/come-in.ts';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { nothingForm } from '$lib/server/edge/people.ts';
import { askJob, jobsOf } from '$lib/server/jobs/jobs.ts';
import { lookForJobs } from '$lib/server/jobs/taking.ts';
import { closeKitchen, openAgain } from '$lib/server/life/close.ts';
import { beginLeaving } from '$lib/server/life/remove.ts';
import { limitsOf } from '$lib/server/life/limits.ts';
import { beginKitchen } from '$lib/server/people/own-kitchen.ts';
import { kitchensOf } from '$lib/server/people/memberships.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
	const { personId, isClosed } = whoIn(locals);
	return {
		kitchens: await kitchensOf(locals.db, personId, dayNow),
		openId: locals.kitchen.id,
		isClosed,
		jobs: await jobsOf(locals.db, locals.kitchen.id, personId),
		limits: await limitsOf(locals.db, locals.kitchen.id),
		timeZones: Intl.supportedValuesOf('timeZone'),
		currencies: Intl.supportedValuesOf('currency')
	};
};

export const actions: Actions = {
	open: saving(openForm, async (event, form) => {
		await openHere(event, form.id);
	}),
	begin: saving(newForm, async (event, { id, scaleDivision, ...form }) => {
		const { locals } = event;
		await beginKitchen(locals.db, id, { ...form, scaleDivision_g: scaleDivision }, whoIn(locals));
		await openHere(event, id);
	}),
	archive: ({ locals, request }) =>
		withDraft(request, archiveForm, async ({ id, withCustomers }) => {
			const { db, kitchen } = locals;
			const { personId } = whoIn(locals);
			await askJob(db, {
				id,
				kitchenId: kitchen.id,
				personId,
				kind: 'archive',
				name: withCustomers ? kitchen.name : `${kitchen.name}, without customers’ names`,
				asked: { withCustomers }
			});
			lookForJobs();
			redirect(303, `/jobs/${id}`);
		}),
	close: saving(nothingForm, async ({ locals: { db, kitchen } }) => {
		await closeKitchen(db, kitchen.id);
	}),
	openAgain: saving(nothingForm, async ({ locals: { db, kitchen } }) => {
		await openAgain(db, kitchen.id);
	}),
	remove: ({ locals, request }) =>
		withDraft(request, leaveForm, async ({ id, name }) => {
			const { db, kitchen } = locals;
			const who = whoIn(locals);
			await beginLeaving(db, kitchen.id, name);
			await askJob(db, {
				id,
				kitchenId: kitchen.id,
				personId: who.personId,
				kind: 'remove',
				name: kitchen.name,
				asked: { name: who.name }
			});
			lookForJobs();
			redirect(303, `/jobs/${id}`);
		})
};
