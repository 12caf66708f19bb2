import { orNotFound } from '$lib/server/edge/actions.ts';
import { lotFor } from '$lib/server/edge/shapes.ts';
import { today } from '$lib/server/kitchens.ts';
import { getLot } from '$lib/server/lots/read.ts';
import { traceLot, tracedTotals } from '$lib/server/trace/forward.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params }) => {
	const { db, kitchen } = locals;
	const lot = lotFor(locals, await orNotFound(getLot(db, kitchen.id, params.id)));
	const trace = await traceLot(db, kitchen.id, lot.id);
	return {
		lot,
		trace,
		totals: tracedTotals(trace.batches),
		possible: tracedTotals(trace.possible),
		day: today(kitchen),
		address: kitchen.address,
		town: kitchen.town
	};
};
