import { nextStation } from '$lib/bench/next-station.ts';
import { isMade } from '$lib/server/batches/history.ts';
import { listBatches } from '$lib/server/batches/read.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => {
	const batches = await listBatches(db, kitchen);
	return {
		batches: batches.map((batch) => ({
			id: batch.id,
			code: batch.code,
			name: batch.name,
			madeOn: batch.madeOn,
			/** Where the work on it goes on; null once packs were made or it was closed. */
			next: isMade(batch) || batch.closed.length > 0 ? null : nextStation(batch),
			packPieces: batch.packPieces,
			packsMade: batch.packsMade,
			packsLeft: batch.packsLeft,
			closings: batch.closings,
			cookLoss: batch.facts?.yield.cookLoss ?? null,
			overallYield: batch.facts?.yield.overallYield ?? null,
			perPack: batch.facts?.cost.perPack ?? null
		}))
	};
};
