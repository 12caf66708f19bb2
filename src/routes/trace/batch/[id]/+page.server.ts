import { orNotFound } from '$lib/server/edge/actions.ts';
import { today } from '$lib/server/kitchens.ts';
import { traceBatch } from '$lib/server/trace/back.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen }, params }) => {
	const { batch, ...trace } = await orNotFound(traceBatch(db, kitchen, params.id));
	return {
		...trace,
		batch: {
			id: batch.id,
			code: batch.code,
			name: batch.name,
			productId: batch.productId,
			madeOn: batch.madeOn,
			beganAt: batch.beganAt,
			formulaId: batch.formulaId,
			formulaNumber: batch.formulaNumber,
			isClosed: batch.closed.length > 0,
			stock: batch.stock
		},
		day: today(kitchen),
		timeZone: kitchen.timeZone,
		address: kitchen.address,
		town: kitchen.town
	};
};
