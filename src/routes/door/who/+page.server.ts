import { redirect } from '@sveltejs/kit';
import { withDraft } from '$lib/server/edge/actions.ts';
import { atDevice, comeByCode } from '$lib/server/edge/door/by-code.ts';
import { withinHere } from '$lib/server/edge/door/within.ts';
import { codeForm } from '$lib/server/edge/people.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => ({
	...(await atDevice(event)),
	to: withinHere(event.url.searchParams.get('to'))
});

export const actions: Actions = {
	default: async (event) => {
		const outcome = await withDraft(event.request, codeForm, async (form) => {
			await comeByCode(event, form);
			return { in: true };
		});
		if ('in' in outcome) redirect(303, '/');
		return outcome;
	}
};
