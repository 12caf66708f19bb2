import { redirect } from '@sveltejs/kit';
import { dayNow } from '$lib/day.ts';
import { isOf } from '$lib/server/db/acting.ts';
import { saving, withDraft } from '$lib/server/edge/actions.ts';
import { openHere } from '$lib/server/edge/door/come-in.ts';
import { giveTokens } from '$lib/server/edge/door/cookies.ts';
import { memberIn, whoIn } from '$lib/server/edge/door/door.ts';
import {
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
import {
	dropShortCode,
	endMembership,
	giveCode,
	kitchensOf,
	shortCodesOf
} from '$lib/server/people/memberships.ts';
import { canHavePasskeys, forgetPasskey, listPasskeys } from '$lib/server/people/passkeys.ts';
import { noteProof } from '$lib/server/people/proof.ts';
import { changePassword, ownKeys, renamePerson } from '$lib/server/people/persons.ts';
import { codesLeft, makeRecoveryCodes } from '$lib/server/people/recovery.ts';
import { beginSecond, giveUpSecond, takeUpSecond } from '$lib/server/people/second.ts';
import { endSessions, listSessions } from '$lib/server/people/sessions.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
	const { db } = locals;
	const who = whoIn(locals);
	const [kitchens, sessions, passkeys, codes, keys, deleted, shortCodes] = await Promise.all([
		kitchensOf(db, who.personId, dayNow),
		listSessions(db, who.personId, who.session.id),
		listPasskeys(db, who.personId),
		codesLeft(db, who.personId),
		ownKeys(db, who.personId),
		deletionsBy(db, who.personId),
		shortCodesOf(db, who.personId)
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
		shortCodes,
		isNew: url.searchParams.has('new'),
		/** The password is another: what else lets somebody in as this person is looked over. */
		isChanged: url.searchParams.has('changed')
	};
};

export const actions: Actions = {
	name: saving(nameOnlyForm, async ({ locals }, { name }) => {
		await renamePerson(locals.db, whoIn(locals).personId, name);
	}),
	password: async (event) => {
		const { locals, request } = event;
		const outcome = await withDraft(request, passwordForm, async (form) => {
			const { personId, session } = whoIn(locals);
			const here = { sessionId: session.id, from: event.getClientAddress() };
			await changePassword(locals.db, personId, form, here);
			await noteProof(locals.db, session.id);
			return { changed: true };
		});
		if ('changed' in outcome) redirect(303, '/me?changed');
		return outcome;
	},
	codes: ({ locals, request }) =>
		withDraft(request, nothingForm, async () => {
			const { personId } = whoIn(locals);
			return { codes: await makeRecoveryCodes(locals.db, personId) };
		}),
	second: ({ locals, request }) =>
		withDraft(request, nothingForm, async () => {
			const { personId, login } = whoIn(locals);
			return { second: await beginSecond(locals.db, personId, login ?? '') };
		}),
	secondOn: saving(secondForm, async ({ locals }, { code }) => {
		await takeUpSecond(locals.db, whoIn(locals).personId, code);
	}),
	secondOff: saving(nothingForm, async ({ locals }) => {
		await giveUpSecond(locals.db, whoIn(locals).personId);
	}),
	forgetKey: saving(idOnlyForm, async ({ locals }, { id }) => {
		const keys = await listPasskeys(locals.db, whoIn(locals).personId);
		isOf(keys.find((key) => key.id === id)?.name ?? '');
		await forgetPasskey(locals.db, whoIn(locals).personId, id);
	}),
	end: saving(idOnlyForm, async ({ locals }, { id }) => {
		await endSessions(locals.db, { id, person_id: whoIn(locals).personId });
	}),
	endOthers: saving(nothingForm, async ({ locals }) => {
		const { personId, session } = whoIn(locals);
		await endSessions(locals.db, { person_id: personId }, session.id);
	}),
	dropCode: saving(idOnlyForm, async ({ locals }, { id }) => {
		await dropShortCode(locals.db, whoIn(locals).personId, id);
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
		const outcome = await withDraft(request, nothingForm, async () => {
			const { personId, isDemo } = whoIn(locals);
			if (isDemo) refuse('', 'the people of the demo stay');
			await erasePerson(locals.db, personId);
			giveTokens(cookies, url, { session: null });
			return { erased: true };
		});
		if ('erased' in outcome) redirect(303, '/door');
		return outcome;
	}
};
