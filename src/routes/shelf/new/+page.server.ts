import { textOf } from '$lib/server/edge/validated.ts';
import { redirect } from '@sveltejs/kit';
import { REFERENCE_NAMES } from '$core/composition/names/index.ts';
import { attempt } from '$lib/server/edge/actions.ts';
import { listIngredients } from '$lib/server/ingredients.ts';
import { referenceRows } from '$lib/server/reference/read.ts';
import { shelveReference } from '$lib/server/reference/shelve.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => {
	const there = new Map(
		(await listIngredients(db, kitchen.id)).map((ingredient) => [ingredient.referenceId, ingredient.id])
	);
	return {
		rows: [...referenceRows().values()].map(({ id, name, kind, allergens, source }) => ({
			id,
			name,
			kind,
			allergens,
			source,
			names: (REFERENCE_NAMES[id]?.names ?? []).map((each) => each.replace('!', '')),
			/** The ingredient that began from it, where there is one. */
			onShelf: there.get(id) ?? null
		}))
	};
};

export const actions: Actions = {
	default: async ({ locals: { db, kitchen }, request }) => {
		const reference = textOf(await request.formData(), 'reference');
		const result = await attempt(() => shelveReference(db, kitchen, reference));
		if (typeof result === 'string') redirect(303, `/shelf/${result}`);
		return result;
	}
};
