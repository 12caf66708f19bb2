import { openForm, newForm } from '$lib/server/edge/kitchen.ts';
import { saving } from '$lib/server/edge/actions.ts';
import { beginKitchen, listKitchens, openKitchen } from '$lib/server/kitchens.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => ({
	kitchens: await listKitchens(db),
	openId: kitchen.id,
	timeZones: Intl.supportedValuesOf('timeZone'),
	currencies: Intl.supportedValuesOf('currency')
});

export const actions: Actions = {
	open: saving(openForm, async ({ locals: { db } }, form) => {
		await openKitchen(db, form.id);
	}),
	begin: saving(newForm, async ({ locals: { db } }, { id, scaleDivision, ...form }) => {
		await beginKitchen(db, id, { ...form, scaleDivision_g: scaleDivision });
	})
};
