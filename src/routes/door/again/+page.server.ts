import { redirect } from '@sveltejs/kit';
import { withDraft } from '$lib/server/edge/actions.ts';
import { comeIn } from '$lib/server/edge/door/come-in.ts';
import { againForm } from '$lib/server/edge/people.ts';
import { mayTry } from '$lib/server/people/limits.ts';
import { comeAgain } from '$lib/server/people/again.ts';
import type { Actions } from './$types';

export const actions: Actions = {
	default: async (event) => {
		const { locals, request } = event;
		const outcome = await withDraft(request, againForm, async (form) => {
			const wasRight = await mayTry(locals.db, `again ${form.login}`, event.getClientAddress());
			const personId = await comeAgain(locals.db, form);
			await wasRight();
			await comeIn(event, { personId, cameBy: 'password' });
			return { in: true };
		});
		if ('in' in outcome) redirect(303, '/me');
		return outcome;
	}
};
