import { may } from '$lib/server/edge/shapes.ts';
import { isMade } from '$lib/server/batches/history.ts';
import { countMade, listSummaries, summariesOnBench } from '$lib/server/batches/standing.ts';
import { knownPage } from '$lib/server/page.ts';
import type { PageServerLoad } from './$types';

const FIRST_SHOWN = 60;
const MOST_SHOWN = 1000;

export const load: PageServerLoad = ({ locals, url }) =>
	knownPage(locals, `batches ${url.searchParams.get('shown') ?? ''}`, async () => {
		const { db, kitchen } = locals;
		const asked = Number(url.searchParams.get('shown') ?? FIRST_SHOWN);
		const shown = Number.isInteger(asked) && asked > 0 ? Math.min(asked, MOST_SHOWN) : FIRST_SHOWN;
		const [onBench, newest, made] = await Promise.all([
			summariesOnBench(db, kitchen),
			// One more than is shown tells whether there are more.
			listSummaries(db, kitchen, { newest: shown + 1 }),
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
				next: isMade(batch) ? null : batch.standing.next,
				packPieces: batch.packPieces,
				packsMade: batch.packsMade,
				packsLeft: batch.packsLeft,
				closings: batch.standing.closings,
				cookLoss: batch.standing.cookLoss,
				overallYield: batch.standing.overallYield,
				perPack: may(locals, 'costs') ? (batch.standing.cost?.perPack ?? null) : null
			}))
		};
	});
