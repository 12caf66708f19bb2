import { redirect } from '@sveltejs/kit';
import { orNotFound, withDraft } from '$lib/server/edge/actions.ts';
import { comeIn, openHere } from '$lib/server/edge/door/come-in.ts';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { newcomerForm, nothingForm } from '$lib/server/edge/people.ts';
import { NotFound } from '$lib/server/errors.ts';
import { takeAsKnown, takeAsNew } from '$lib/server/people/invited.ts';
import { findPairing } from '$lib/server/people/pairings.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db }, params }) => {
	const pairing = await orNotFound(findPairing(db, params.code));
	if (pairing.kind !== 'person') return orNotFound(Promise.reject(new NotFound('this code invites nobody')));
	const { kitchen, by, role, span, name } = pairing;
	return { invitation: { kitchen, by, role, span, name } };
};

export const actions: Actions = {
	/** Somebody who is not here yet. */
	new: async (event) => {
		const { locals, request, params } = event;
		const outcome = await withDraft(request, newcomerForm, async (form) => {
			const { personId, kitchenId } = await takeAsNew(locals.db, params.code, form);
			await comeIn(event, { personId, kitchenId, cameBy: 'password' });
			return { in: true };
		});
		if ('in' in outcome) redirect(303, '/me?new');
		return outcome;
	},
	/** Somebody who is in already, of another kitchen. */
	join: async (event) => {
		const { locals, request, params } = event;
		const outcome = await withDraft(request, nothingForm, async () => {
			const kitchenId = await takeAsKnown(locals.db, params.code, whoIn(locals));
			await openHere(event, kitchenId);
			return { in: true };
		});
		if ('in' in outcome) redirect(303, '/me');
		return outcome;
	}
};
