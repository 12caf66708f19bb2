import { nextStation } from '$core/bench/next-station.ts';
import { planRibbon, ribbonReached } from '$lib/batch/ribbons.ts';
import { cookLossHistory } from '$lib/server/batches/history.ts';
import { batchesLeft } from '$lib/server/batches/left.ts';
import { batchesOnBench } from '$lib/server/batches/read.ts';
import { recentSummaries } from '$lib/server/batches/standing.ts';
import { attentionOf } from '$lib/server/today/attention.ts';
import { firstSteps } from '$lib/server/today/first-steps.ts';
import { comingDemand } from '$lib/server/plan/demand.ts';
import { knownPage } from '$lib/server/page.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	knownPage(locals, 'today', async () => {
		const { db, kitchen } = locals;
		const [left, onBench, recent] = await Promise.all([
			batchesLeft(db, kitchen),
			batchesOnBench(db, kitchen),
			recentSummaries(db, kitchen)
		]);
		const [days, attention, first] = await Promise.all([
			comingDemand(db, kitchen, left, onBench),
			attentionOf(db, kitchen, left, recent, locals.who?.rights ?? []),
			firstSteps(db, kitchen.id)
		]);
		const losses = cookLossHistory(recent);
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
			days: days.map((day) => ({ ...day, products: day.products.map((each) => ({ ...each, money: null })) })),
			attention,
			first
		};
	});
