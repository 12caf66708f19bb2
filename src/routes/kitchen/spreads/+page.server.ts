import { saving } from '$lib/server/edge/actions.ts';
import { spreadsForm, spreadsOf } from '$lib/server/edge/sure.ts';
import { assumedSpreads, saveSpreads } from '$lib/server/sure/spreads.ts';
import { SPREAD_INPUTS } from '$lib/sure/spreads.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => {
	const own = new Map((await assumedSpreads(db, kitchen.id)).map((each) => [each.input, each]));
	const of = (say: (input: string) => string) =>
		Object.fromEntries(SPREAD_INPUTS.map((input) => [input, say(input)]));
	return {
		/** In percent, as they are typed; empty where the usual one holds. */
		spreads: of((input) => {
			const each = own.get(input);
			return each ? String(Number((each.spread * 100).toFixed(4))) : '';
		}),
		notes: of((input) => own.get(input)?.note ?? '')
	};
};

export const actions: Actions = {
	save: saving(spreadsForm, async ({ locals: { db, kitchen } }, form) => {
		await saveSpreads(db, kitchen.id, spreadsOf(form));
	})
};
