import { saving } from '$lib/server/edge/actions.ts';
import { letGoForm } from '$lib/server/edge/kitchen.ts';
import { letGo, unreadable } from '$lib/server/kept/unreadable.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => ({
	found: await unreadable(db, kitchen.id)
});

export const actions: Actions = {
	letGo: saving(letGoForm, async ({ locals: { db, kitchen } }, record) => {
		await letGo(db, kitchen.id, record);
	})
};
