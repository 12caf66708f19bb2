import { redirect } from '@sveltejs/kit';
import { withDraft } from '$lib/server/edge/actions.ts';
import { comeIn } from '$lib/server/edge/door/come-in.ts';
import { againForm } from '$lib/server/edge/people.ts';
import { noteFailed } from '$lib/server/people/failed.ts';
import { personCalled } from '$lib/server/people/persons.ts';
import { mayTry } from '$lib/server/people/limits.ts';
import { comeAgain } from '$lib/server/people/again.ts';
import type { Actions } from './$types';

export const actions: Actions = {
	default: async (event) => {
		const { locals, request } = event;
		const outcome = await withDraft(request, againForm, async (form) => {
			const { db } = locals;
			const from = event.getClientAddress();
			const wasRight = await mayTry(db, { by: 'recovery', of: form.login, from });
			const personId = await comeAgain(db, form).catch(async (problem: unknown) => {
				noteFailed(db, { by: 'recovery', from, personId: await personCalled(db, form.login) });
				throw problem;
			});
			await wasRight();
			await comeIn(event, { personId, cameBy: 'password' });
			return { in: true };
		});
		if ('in' in outcome) redirect(303, '/me?changed');
		return outcome;
	}
};
