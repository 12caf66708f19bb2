import { redirect } from '@sveltejs/kit';
import { orNotFound, withDraft } from '$lib/server/edge/actions.ts';
import { letInByCode } from '$lib/server/edge/door/let-in.ts';
import { deviceNameForm } from '$lib/server/edge/people.ts';
import { NotFound } from '$lib/server/errors.ts';
import { usualName } from '$lib/server/people/devices.ts';
import { findPairing } from '$lib/server/people/pairings.ts';
import type { Actions, PageServerLoad } from './$types';

/** Looked at, the code is not used up: what shows a preview of a link is no device. */
export const load: PageServerLoad = async ({ locals: { db }, params, request }) => {
	const pairing = await orNotFound(findPairing(db, params.code));
	if (pairing.kind !== 'device')
		return orNotFound(Promise.reject(new NotFound('this code lets no device in')));
	return {
		kitchen: pairing.kitchen,
		by: pairing.by,
		kind: pairing.deviceKind,
		name: pairing.name || usualName(request.headers.get('user-agent') ?? '')
	};
};

export const actions: Actions = {
	default: async (event) => {
		const outcome = await withDraft(event.request, deviceNameForm, async ({ name }) => ({
			to: await letInByCode(event, event.params.code, name)
		}));
		if ('to' in outcome) redirect(303, outcome.to);
		return outcome;
	}
};
