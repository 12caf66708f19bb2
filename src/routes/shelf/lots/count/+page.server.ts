import { withDraft } from '$lib/server/edge/actions.ts';
import { lotsFor } from '$lib/server/edge/shapes.ts';
import { countForm } from '$lib/server/edge/lot.ts';
import { countLots } from '$lib/server/lots/count.ts';
import { lotsOnHand } from '$lib/server/lots/read.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
	const lots = lotsFor(locals, await lotsOnHand(locals.db, locals.kitchen.id));
	return { lots: lots.toSorted((a, b) => a.name.localeCompare(b.name)) };
};

export const actions: Actions = {
	count: async ({ locals: { db, kitchen }, request }) =>
		withDraft(request, countForm, async ({ counts }) => ({
			saved: true,
			moved: await countLots(db, kitchen.id, counts)
		}))
};
