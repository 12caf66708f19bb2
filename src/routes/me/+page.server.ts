import { redirect } from '@sveltejs/kit';
import { dayIn } from '$lib/day.ts';
import { saving, withDraft } from '$lib/server/edge/actions.ts';
import { openHere } from '$lib/server/edge/door/come-in.ts';
import { giveTokens } from '$lib/server/edge/door/cookies.ts';
import { memberIn, whoIn } from '$lib/server/edge/door/door.ts';
import {
	confirmForm,
	idOnlyForm,
	nameOnlyForm,
	nothingForm,
	ownCodeForm,
	passwordForm,
	secondForm
} from '$lib/server/edge/people.ts';
import { refuse } from '$lib/server/errors.ts';
import { deletionsBy } from '$lib/server/life/remove.ts';
import { erasePerson } from '$lib/server/people/erase.ts';
import { endMembership, giveCode, kitchensOf } from '$lib/server/people/memberships.ts';
import { canHavePasskeys, forgetPasskey, listPasskeys } from '$lib/server/people/passkeys.ts';
import { changePassword, mustKnow, ownKeys, renamePerson } from '$lib/server/people/persons.ts';
import { codesLeft, makeRecoveryCodes } from '$lib/server/people/recovery.ts';
import { giveUpSecond, newSecond, takeUpSecond } from '$lib/server/people/second.ts';
import { endSessions, listSessions } from '$lib/server/people/sessions.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
	const { db } = locals;
	const who = whoIn(locals);
	const [kitchens, sessions, passkeys, codes, keys, deleted] = await Promise.all([
		kitchensOf(db, who.personId, (zone) => dayIn(zone, new Date())),
		listSessions(db, who.personId, who.session.id),
		listPasskeys(db, who.personId),
		codesLeft(db, who.personId),
		ownKeys(db, who.personId),
		deletionsBy(db, who.personId)
	]);
	return {
		me: { name: who.name, login: who.login, isDemo: who.isDemo, ...keys },
		openId: who.membership?.kitchenId ?? null,
		kitchens,
		deleted,
		sessions,
		passkeys,
		codes,
		hasPasskeys: canHavePasskeys(url),
		isNew: url.searchParams.has('new')
	};
};

export const actions: Actions = {
	name: saving(nameOnlyForm, async ({ locals }, { name }) => {
		await renamePerson(locals.db, whoIn(locals).personId, name);
	}),
	password: saving(passwordForm, async ({ locals }, form) => {
		const { personId, session } = whoIn(locals);
		await changePassword(locals.db, personId, form);
		await endSessions(locals.db, { person_id: personId }, session.id);
	}),
	codes: ({ locals, request }) =>
		withDraft(request, confirmForm, async ({ now }) => {
			const { personId } = whoIn(locals);
			await mustKnow(locals.db, personId, now);
			return { codes: await makeRecoveryCodes(locals.db, personId) };
		}),
	second: ({ locals, request }) =>
		withDraft(request, confirmForm, async ({ now }) => {
			const { personId, login } = whoIn(locals);
			await mustKnow(locals.db, personId, now);
			return { second: await newSecond(login ?? '') };
		}),
	secondOn: saving(secondForm, async ({ locals }, { secret, code }) => {
		await takeUpSecond(locals.db, whoIn(locals).personId, secret, code);
	}),
	secondOff: saving(confirmForm, async ({ locals }, { now }) => {
		const { personId } = whoIn(locals);
		await mustKnow(locals.db, personId, now);
		await giveUpSecond(locals.db, personId);
	}),
	forgetKey: saving(idOnlyForm, async ({ locals }, { id }) => {
		await forgetPasskey(locals.db, whoIn(locals).personId, id);
	}),
	end: saving(idOnlyForm, async ({ locals }, { id }) => {
		await endSessions(locals.db, { id, person_id: whoIn(locals).personId });
	}),
	endOthers: saving(nothingForm, async ({ locals }) => {
		const { personId, session } = whoIn(locals);
		await endSessions(locals.db, { person_id: personId }, session.id);
	}),
	code: saving(ownCodeForm, async ({ locals }, { code }) => {
		const { kitchenId, id } = memberIn(locals);
		await giveCode(locals.db, kitchenId, id, code);
	}),
	open: saving(idOnlyForm, async (event, { id }) => {
		await openHere(event, id);
	}),
	leave: async ({ locals, request }) => {
		const outcome = await withDraft(request, nothingForm, async () => {
			const { kitchenId, id } = memberIn(locals);
			await endMembership(locals.db, kitchenId, id);
			return { left: true };
		});
		if ('left' in outcome) redirect(303, '/door');
		return outcome;
	},
	erase: async ({ locals, request, cookies, url }) => {
		const outcome = await withDraft(request, confirmForm, async ({ now }) => {
			const { personId, isDemo } = whoIn(locals);
			if (isDemo) refuse('', 'the people of the demo stay');
			await mustKnow(locals.db, personId, now);
			await erasePerson(locals.db, personId);
			giveTokens(cookies, url, { session: null });
			return { erased: true };
		});
		if ('erased' in outcome) redirect(303, '/door');
		return outcome;
	}
};
