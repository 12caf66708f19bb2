import { redirect } from '@sveltejs/kit';
import { homeOf, rightsOf } from '$lib/people/roles.ts';
import { attempt, withDraft } from '$lib/server/edge/actions.ts';
import { comeIn } from '$lib/server/edge/door/come-in.ts';
import { giveTokens } from '$lib/server/edge/door/cookies.ts';
import { reach } from '$lib/server/edge/door/reach.ts';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { withinHere } from '$lib/server/edge/door/within.ts';
import { comeInForm, demoForm } from '$lib/server/edge/people.ts';
import { refuse } from '$lib/server/errors.ts';
import { demoPeople } from '$lib/server/people/demo.ts';
import { mayTry } from '$lib/server/people/limits.ts';
import { canHavePasskeys } from '$lib/server/people/passkeys.ts';
import { isAnybodyHere, personBy } from '$lib/server/people/persons.ts';
import { isSecond } from '$lib/server/people/second.ts';
import { endSessions } from '$lib/server/people/sessions.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => ({
	to: withinHere(url.searchParams.get('to')),
	hasPasskeys: canHavePasskeys(url),
	/** Only who sits at this machine: nobody else could be one of them. */
	demo: reach().isLoopback ? await demoPeople(locals.db) : [],
	isNew: !(await isAnybodyHere(locals.db))
});

const WRONG = 'this name and password do not go together';

export const actions: Actions = {
	in: async (event) => {
		const { locals, request } = event;
		const outcome = await withDraft(request, comeInForm, async ({ login, password, second, to }) => {
			const mayTryOf = (what: string) => mayTry(locals.db, `${what} ${login}`, event.getClientAddress());
			const wasRight = await mayTryOf('password');
			const person = await personBy(locals.db, login, password);
			if (!person) return refuse('', WRONG);
			await wasRight();
			if (person.hasSecond) {
				if (second === '') refuse('second', 'now the six digits your app shows');
				// Counted apart: who has the password may not guess on and on.
				const isOne = await mayTryOf('second');
				if (!(await isSecond(locals.db, person.id, second)))
					refuse('second', 'this is not the code of this moment');
				await isOne();
			}
			await comeIn(event, { personId: person.id, cameBy: 'password' });
			return { to: withinHere(to) };
		});
		if ('to' in outcome) redirect(303, outcome.to);
		return outcome;
	},
	demo: async (event) => {
		const { locals, request } = event;
		const outcome = await withDraft(request, demoForm, async ({ id }) => {
			const person = reach().isLoopback
				? (await demoPeople(locals.db)).find((each) => each.id === id)
				: undefined;
			if (!person) return refuse('', 'the people of the demo come in on this machine alone');
			await comeIn(event, { personId: id, cameBy: 'demo' });
			return { to: homeOf(rightsOf(person.role, false)) };
		});
		if ('to' in outcome) redirect(303, outcome.to);
		return outcome;
	},
	out: async ({ locals, cookies, url }) => {
		const { session, device } = whoIn(locals);
		const outcome = await attempt(async () => {
			await endSessions(locals.db, { id: session.id });
			giveTokens(cookies, url, { session: null });
		});
		if (outcome) return outcome;
		redirect(303, device?.kind === 'shared' ? '/door/who' : '/door');
	}
};
