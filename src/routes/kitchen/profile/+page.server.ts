import { profileDraft } from '$lib/kitchen/profile-draft.ts';
import { saving } from '$lib/server/edge/actions.ts';
import { profileForm, profileOf } from '$lib/server/edge/profile.ts';
import { getProfile, saveProfile } from '$lib/server/profiles.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => {
	const { profile, version } = await getProfile(db, kitchen.id);
	return { draft: profileDraft(kitchen.id, version, profile) };
};

export const actions: Actions = {
	save: saving(profileForm, async ({ locals: { db, kitchen } }, form) => {
		await saveProfile(db, kitchen.id, form.version, profileOf(form));
	})
};
