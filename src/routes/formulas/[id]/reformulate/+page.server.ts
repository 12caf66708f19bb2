import { redirect } from '@sveltejs/kit';
import { orNotFound, saving, withDraft } from '$lib/server/edge/actions.ts';
import { takeForm, trialForm } from '$lib/server/edge/reformulate.ts';
import { newId } from '$lib/server/rows.ts';
import { reformulateBasis } from '$lib/server/reformulate/basis.ts';
import { planTrial, takeReformulated } from '$lib/server/reformulate/take.ts';
import { today } from '$lib/server/kitchens.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen }, params }) => ({
	basis: await orNotFound(reformulateBasis(db, kitchen, params.id)),
	/** Of the trial that is planned from here: one sent twice is one. */
	trialId: newId(),
	day: today(kitchen)
});

export const actions: Actions = {
	take: saving(takeForm, async ({ locals: { db, kitchen }, params }, form) => {
		await takeReformulated(db, kitchen, params.id, form);
	}),
	trial: async ({ locals: { db, kitchen }, params, request }) => {
		const result = await withDraft(request, trialForm, (form) => planTrial(db, kitchen, params.id, form));
		if (typeof result === 'string') redirect(303, `/batches/${result}`);
		return result;
	}
};
