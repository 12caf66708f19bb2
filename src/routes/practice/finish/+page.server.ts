import { redirect } from '@sveltejs/kit';
import { orNotFound, withDraft } from '$lib/server/edge/actions.ts';
import { finishForm } from '$lib/server/edge/practice.ts';
import { finishPractice, sayBasis } from '$lib/server/practice/finish.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => ({
	basis: await orNotFound(sayBasis(db, kitchen))
});

export const actions: Actions = {
	default: async ({ locals: { db, kitchen }, request }) => {
		const result = await withDraft(request, finishForm, ({ claims }) => finishPractice(db, kitchen, claims));
		if (typeof result === 'string') redirect(303, `/practice/debrief/${result}`);
		return result;
	}
};
