import { redirect } from '@sveltejs/kit';
import { homeOf, rightsOf } from '$lib/people/roles.ts';
import { attempt, withDraft } from '$lib/server/edge/actions.ts';
import { comeIn } from '$lib/server/edge/door/come-in.ts';
import { giveTokens } from '$lib/server/edge/door/cookies.ts';
import { isAtMachine } from '$lib/server/edge/door/at-machine.ts';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { withinHere } from '$lib/server/edge/door/within.ts';
import { CLEARING } from '$lib/server/edge/headers.ts';
import { textOf } from '$lib/server/edge/validated.ts';
import { comeInForm, demoForm } from '$lib/server/edge/people.ts';
import { refuse } from '$lib/server/errors.ts';
import { demoPeople } from '$lib/server/people/demo.ts';
import { deviceOf } from '$lib/server/people/devices.ts';
import { noteFailed } from '$lib/server/people/failed.ts';
import { mayTry } from '$lib/server/people/limits.ts';
import { canHavePasskeys } from '$lib/server/people/passkeys.ts';
import { isAnybodyHere, personBy, personCalled } from '$lib/server/people/persons.ts';
import { isSecond } from '$lib/server/people/second.ts';
import { endSessions } from '$lib/server/people/sessions.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
	const { locals, url } = event;
	return {
		to: withinHere(url.searchParams.get('to')),
		hasPasskeys: canHavePasskeys(url),
		/** Only who sits at this machine: nobody else could be one of them. */
		demo: isAtMachine(event) ? await demoPeople(locals.db) : [],
		isNew: !(await isAnybodyHere(locals.db))
	};
};

const WRONG = 'this name and password do not go together';

export const actions: Actions = {
	in: async (event) => {
		const { locals, request } = event;
		const outcome = await withDraft(request, comeInForm, async ({ login, password, second, to }) => {
			const { db } = locals;
			const from = event.getClientAddress();
			const device = await deviceOf(db, locals.deviceToken, login);
			const mayTryBy = (by: 'password' | 'second') => mayTry(db, { by, of: login, from, device });
			const wasRight = await mayTryBy('password');
			const person = await personBy(db, login, password);
			if (!person) {
				noteFailed(db, { by: 'password', from, personId: await personCalled(db, login) });
				return refuse('', WRONG);
			}
			await wasRight();
			if (person.hasSecond) {
				if (second === '') refuse('second', 'now the six digits your app shows');
				// Counted apart: who has the password may not guess on and on.
				const isOne = await mayTryBy('second');
				if (!(await isSecond(db, person.id, second))) {
					noteFailed(db, { by: 'second', from, personId: person.id });
					refuse('second', 'this is not the code of this moment');
				}
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
			const person = isAtMachine(event)
				? (await demoPeople(locals.db)).find((each) => each.id === id)
				: undefined;
			if (!person) return refuse('', 'the people of the demo come in on this machine alone');
			await comeIn(event, { personId: id, cameBy: 'demo' });
			return { to: homeOf(rightsOf(person.role, false)) };
		});
		if ('to' in outcome) redirect(303, outcome.to);
		return outcome;
	},
	out: async ({ locals, cookies, url, request, setHeaders }) => {
		const { session, device } = whoIn(locals);
		// The page says whether anything on the device still waits to be sent: that alone is not cleared.
		const clears = textOf(await request.formData(), 'waits') === 'none';
		const outcome = await attempt(async () => {
			await endSessions(locals.db, { id: session.id });
			giveTokens(cookies, url, { session: null });
			if (clears) setHeaders(CLEARING);
		});
		if (outcome) return outcome;
		redirect(303, device?.kind === 'shared' ? '/door/who' : '/door');
	}
};
