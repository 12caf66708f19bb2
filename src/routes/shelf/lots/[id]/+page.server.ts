import { orNotFound, saving } from '$lib/server/edge/actions.ts';
import { takeBackForm } from '$lib/server/edge/lot.ts';
import { lotFor } from '$lib/server/edge/shapes.ts';
import { today } from '$lib/server/kitchens.ts';
import { getLot, movesOf } from '$lib/server/lots/read.ts';
import { takeBackLot } from '$lib/server/lots/receive.ts';
import { traceLot } from '$lib/server/trace/forward.ts';
import { whoDid } from '$lib/server/people/deeds.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params }) => {
	const { db, kitchen } = locals;
	const lot = lotFor(locals, await orNotFound(getLot(db, kitchen.id, params.id)));
	const [moves, trace] = await Promise.all([
		movesOf(db, kitchen.id, lot.id),
		traceLot(db, kitchen.id, lot.id)
	]);
	const doneBy = await whoDid(
		db,
		kitchen.id,
		'lot_moves',
		moves.map(({ id }) => id)
	);
	return { lot, moves, doneBy, trace, today: today(kitchen) };
};

export const actions: Actions = {
	takeBack: saving(takeBackForm, async ({ locals: { db, kitchen }, params }, { reason }) => {
		await takeBackLot(db, kitchen.id, params.id, reason);
	})
};
