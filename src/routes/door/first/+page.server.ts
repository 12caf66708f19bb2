import { error, redirect, type RequestEvent } from '@sveltejs/kit';
import { withDraft } from '$lib/server/edge/actions.ts';
import { comeIn } from '$lib/server/edge/door/come-in.ts';
import { isAtMachine } from '$lib/server/edge/door/at-machine.ts';
import { reach } from '$lib/server/edge/door/reach.ts';
import { firstForm } from '$lib/server/edge/people.ts';
import { refuse } from '$lib/server/errors.ts';
import { firstOwner } from '$lib/server/people/first.ts';
import { ownerless } from '$lib/server/people/own-kitchen.ts';
import { tokenHash } from '$lib/server/people/secrets.ts';
import { isAnybodyHere } from '$lib/server/people/persons.ts';
import type { Actions, PageServerLoad } from './$types';

/** The first owner is who sits at the machine, or has what it printed there. */
const isKey = (event: RequestEvent, key: string | null): boolean => {
	const { firstKey } = reach();
	return isAtMachine(event) || (firstKey !== null && key !== null && isSame(key, firstKey));
};

const isSame = (a: string, b: string): boolean => tokenHash(a) === tokenHash(b);

export const load: PageServerLoad = async (event) => {
	const { locals, url } = event;
	if (await isAnybodyHere(locals.db))
		error(404, {
			message: 'Somebody is here already.',
			remedy: 'Come in, or ask the owner of a kitchen to invite you.'
		});
	return {
		key: url.searchParams.get('key') ?? '',
		mayBegin: isKey(event, url.searchParams.get('key')),
		takeable: await ownerless(locals.db)
	};
};

export const actions: Actions = {
	default: async (event) => {
		const { locals, request } = event;
		const outcome = await withDraft(request, firstForm, async ({ key, ...form }) => {
			if (!isKey(event, key)) refuse('', 'open the address that was printed where Square Batch was started');
			const owner = await firstOwner(locals.db, form);
			await comeIn(event, { personId: owner.personId, kitchenId: owner.kitchenId, cameBy: 'password' });
			return { in: true };
		});
		if ('in' in outcome) redirect(303, '/me?new');
		return outcome;
	}
};
