import type { Row } from '../rows.ts';
import type { LabelContent } from '$core/label/content.ts';
import { labelOfBatch } from '../labels/of-batch.ts';
import { labelText } from '$core/label/text.ts';
import { readBatch } from '../batches/read.ts';
import type { Batch } from '../../batch/types.ts';
import { stationFacts } from '../bench/station.ts';
import type { Database } from '../db/connection.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import { lotsById } from '../lots/read.ts';
import type { Lot } from '../../shelf/lots.ts';
import { tracedBatches } from './forward.ts';
import type { Traced, TracedBatch, TracedWeighing } from '../../batch/trace.ts';
import { today } from '../kitchens.ts';
import { doneBy } from '../people/deeds.ts';

/** Everything behind a pack of a batch. */
export interface BatchTrace {
	batch: Batch;
	sold: TracedBatch;
	lots: Lot[];
	weighings: TracedWeighing[];
	cautions: string[];
	/** What the label printed for it, or that it was packed under, said, word for word; null where none was approved. */
	label: { number: number; text: string } | null;
}

/** From a batch back to its lots, weighings, cautions and label. Throws `NotFound`. */
export async function traceBatch(db: Database, kitchen: Kitchen, batchId: string): Promise<BatchTrace> {
	const { batch, entries } = await readBatch(db, kitchen, batchId);
	const [station, revision, [sold], taken] = await Promise.all([
		stationFacts(db, kitchen, batch),
		db('batches as b')
			.join('label_revisions as r', 'r.id', labelOfBatch(db))
			.where({ 'b.kitchen_id': kitchen.id, 'b.id': batchId })
			.first<Row | undefined>('r.number', 'r.content'),
		tracedBatches(db, kitchen.id, [batchId], new Map()),
		db('weighings').where({ kitchen_id: kitchen.id, batch_id: batchId }).select('id', 'deed_id')
	]);
	const deeds = await doneBy(
		db,
		kitchen.id,
		taken.map((row) => row.deed_id)
	);
	const whoOf = new Map(taken.map((row) => [row.id, deeds.get(row.deed_id ?? '')?.name ?? '']));
	const weighings = entries.filter((entry) => entry.kind === 'weighing');
	const drawn = batch.stock.flatMap((use) => use.from.map((lot) => lot.lotId));
	const lots = await lotsById(db, kitchen.id, [
		...new Set([...drawn, ...weighings.flatMap((entry) => entry.lotId ?? [])])
	]);
	const codeOf = new Map(lots.map((lot) => [lot.id, lot.code]));
	const lineOf = new Map(batch.lines.map((line) => [line.id, line.name]));
	const corrected = new Set(weighings.flatMap((entry) => entry.corrects ?? []));
	return {
		batch,
		sold: sold as TracedBatch,
		lots: lots.filter((lot) => drawn.includes(lot.id)),
		weighings: weighings.map((entry) => ({
			at: entry.at,
			what: entry.what,
			of: lineOf.get(entry.lineId ?? '') ?? '',
			grams: entry.grams,
			by: entry.by,
			isCorrected: corrected.has(entry.id),
			lotCode: codeOf.get(entry.lotId ?? '') ?? '',
			who: whoOf.get(entry.id) ?? ''
		})),
		cautions: station.cautions,
		label: revision
			? {
					number: revision.number,
					text: labelText(JSON.parse(revision.content) as LabelContent)
				}
			: null
	};
}

/** The same as a page shows it. Throws `NotFound`. */
export async function tracedPage(db: Database, kitchen: Kitchen, batchId: string): Promise<Traced> {
	const { batch, ...trace } = await traceBatch(db, kitchen, batchId);
	return {
		...trace,
		lots: trace.lots.map(({ id, supplier, supplierCode }) => ({ id, supplier, supplierCode })),
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
}
