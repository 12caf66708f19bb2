import { packEntries } from '$lib/batch/bench/packed-entries.ts';
import { batchFor, lotsFor as shapedLots } from '$lib/server/edge/shapes.ts';
import { cookedAs, cookLossHistory, squares } from '$lib/server/batches/history.ts';
import { readBatch } from '$lib/server/batches/read.ts';
import { tellingOf } from '$lib/server/batches/standing.ts';
import { stationFacts } from '$lib/server/bench/station.ts';
import { orderedPacks } from '$lib/server/orders/read.ts';
import { lotsFor } from '$lib/server/lots/read.ts';
import { mixParts } from '$lib/server/mixes.ts';
import { shelfReader } from '$lib/server/shelf.ts';
import { knownPage } from '$lib/server/page.ts';
import { orNotFound } from '$lib/server/edge/actions.ts';
import { listEquipment } from '$lib/server/equipment.ts';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = ({ locals, params }) =>
	knownPage(locals, `bench ${params.id}`, () => readBench(locals, params.id));

async function readBench(locals: App.Locals, id: string) {
	const { db, kitchen } = locals;
	const { batch, entries } = await orNotFound(readBatch(db, kitchen, id));
	const [station, equipment, batches, lots, shelf, ordered] = await Promise.all([
		stationFacts(db, kitchen, batch),
		listEquipment(db, kitchen.id),
		tellingOf(db, kitchen, batch.formulaId),
		lotsFor(db, kitchen.id, batch),
		shelfReader(db, kitchen),
		orderedPacks(db, kitchen.id, batch.madeOn)
	]);
	const mine = ordered.filter(({ productId }) => productId === batch.productId);
	const next = mine.toSorted((a, b) => a.day.localeCompare(b.day))[0];
	const earlier = batches.filter((each) => each.id !== batch.id && each.madeOn <= batch.madeOn);
	return {
		batch: batchFor(locals, batch),
		entries: packEntries(entries),
		station,
		/** What may stand on the scale, and what it weighs empty where that is known. */
		containers: equipment.flatMap(({ id, name, tare_g, retired }) => (retired ? [] : [{ id, name, tare_g }])),
		expectedLoss: cookLossHistory(cookedAs(earlier, batch)).get(batch.formulaId) ?? null,
		/** Cook losses of the earlier batches that square, for how heavy a ball has to be. */
		pastLosses: cookedAs(earlier, batch)
			.filter(squares)
			.flatMap(({ standing }) => standing.cookLoss ?? []),
		/** What of it is fetched next that was ordered; null where nothing is. */
		ordered: next
			? {
					day: next.day,
					place: next.place,
					packs: mine.reduce(
						(sum, each) => sum + (each.day === next.day && each.place === next.place ? each.packs : 0),
						0
					)
				}
			: null,
		/** What may be drawn from, oldest first. */
		lots: shapedLots(locals, lots),
		/** What mixes are made of, for the hydration of a dough with one in it. */
		mixes: await mixParts(db, kitchen.id, shelf(batch.madeOn)),
		scaleDivision_g: kitchen.scaleDivision_g,
		/** Whether loose pieces are made up into short packs here. */
		sellsShort: kitchen.sellsShort
	};
}
