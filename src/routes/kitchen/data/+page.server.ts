import { dayIn } from '$lib/day.ts';
import { openForm, newForm } from '$lib/server/edge/kitchen.ts';
import { saving } from '$lib/server/edge/actions.ts';
import { openHere } from '$lib/server/edge/door/come-in.ts';
import { whoIn } from '$lib/server/edge/door/door.ts';
import { beginKitchen } from '$lib/server/people/own-kitchen.ts';
import { kitchensOf } from '$lib/server/people/memberships.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
	kitchens: await kitchensOf(locals.db, whoIn(locals).personId, (zone) => dayIn(zone, new Date())),
	openId: locals.kitchen.id,
	timeZones: Intl.supportedValuesOf('timeZone'),
	currencies: Intl.supportedValuesOf('currency')
});

export const actions: Actions = {
	open: saving(openForm, async (event, form) => {
		await openHere(event, form.id);
	}),
	begin: saving(newForm, async (event, { id, scaleDivision, ...form }) => {
		const { locals } = event;
		await beginKitchen(locals.db, id, { ...form, scaleDivision_g: scaleDivision }, whoIn(locals));
		await openHere(event, id);
	})
};
