import { nextStation } from '$lib/bench/next-station.ts';
import { planRibbon, ribbonReached } from '$lib/batch-ribbons.ts';
import { cookLossHistory } from '$lib/server/batches/history.ts';
import { batchesLeft } from '$lib/server/batches/left.ts';
import { batchesOnBench, listBatches, RECENT_BATCHES } from '$lib/server/batches/read.ts';
import type { Batch } from '$lib/server/batches/types.ts';
import type { Database } from '$lib/server/db/connection.ts';
import type { Kitchen } from '$lib/server/kitchens.ts';
import { attentionOf } from '$lib/server/today/attention.ts';
import { firstSteps } from '$lib/server/today/first-steps.ts';
import { daysToMake } from '$lib/server/today/to-make.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, kitchen } }) => {
	const [left, onBench] = await Promise.all([batchesLeft(db, kitchen.id), batchesOnBench(db, kitchen)]);
	const [losses, days, attention, first] = await Promise.all([
		lossesOf(db, kitchen, onBench),
		daysToMake(db, kitchen, left, onBench),
		attentionOf(db, kitchen, left),
		firstSteps(db, kitchen.id)
	]);
	return {
		bench: onBench.map((batch) => ({
			id: batch.id,
			code: batch.code,
			name: batch.name,
			madeOn: batch.madeOn,
			next: nextStation(batch),
			plan: planRibbon(batch, losses.get(batch.formulaId) ?? null),
			actual: ribbonReached(batch, batch.facts)
		})),
		days,
		attention,
		first
	};
};

/** The cook loss to expect of the formulas that are on the bench, by formula id. */
async function lossesOf(
	db: Database,
	kitchen: Kitchen,
	onBench: readonly Batch[]
): Promise<Map<string, number>> {
	const formulas = [...new Set(onBench.map((batch) => batch.formulaId))];
	const earlier = await Promise.all(
		formulas.map((formulaId) => listBatches(db, kitchen, { formulaId, newest: RECENT_BATCHES }))
	);
	return cookLossHistory(earlier.flat());
}
