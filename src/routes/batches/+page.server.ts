import { nextStation } from '$lib/bench/next-station.ts';
import { isMade } from '$lib/server/batches/history.ts';
import { batchesOnBench, countMade, listBatches } from '$lib/server/batches/read.ts';
import type { PageServerLoad } from './$types';

const FIRST_SHOWN = 60;
const MOST_SHOWN = 1000;

export const load: PageServerLoad = async ({ locals: { db, kitchen }, url }) => {
	const asked = Number(url.searchParams.get('shown') ?? FIRST_SHOWN);
	const shown = Number.isInteger(asked) && asked > 0 ? Math.min(asked, MOST_SHOWN) : FIRST_SHOWN;
	const [onBench, newest, made] = await Promise.all([
		batchesOnBench(db, kitchen),
		// One more than is shown tells whether there are more.
		listBatches(db, kitchen, { newest: shown + 1 }),
		countMade(db, kitchen.id)
	]);
	const there = new Set(onBench.map((batch) => batch.id));
	const batches = [...onBench, ...newest.slice(0, shown).filter((batch) => !there.has(batch.id))];
	return {
		made,
		shown,
		hasMore: newest.length > shown,
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
