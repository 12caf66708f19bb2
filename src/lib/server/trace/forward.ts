import type { TracedSale } from '../../batch/trace.ts';
import type { TracedBatch } from '../../batch/trace.ts';
import { settled } from '$core/measure/round.ts';
import type { Database } from '../db/connection.ts';
import { labelOfBatch } from '../labels/of-batch.ts';
import { groupBy, toNumber, type Row } from '../rows.ts';

/** Where a lot went. */
export interface LotTrace {
	batches: TracedBatch[];
	/**
	 * Batches made since it came with a mix that holds its ingredient. What went into a mix is not followed
	 * lot by lot, so they may hold it.
	 */
	possible: TracedBatch[];
}

/** Where a lot went: the batches that drew from it, and those it may be in by way of a mix. */
export async function traceLot(db: Database, kitchenId: string, lotId: string): Promise<LotTrace> {
	const moves = await db('lot_moves')
		.where({ kitchen_id: kitchenId, lot_id: lotId, kind: 'drawn' })
		.groupBy('batch_id')
		.havingRaw('SUM(amount) <> 0')
		.select<{ batch_id: string; moved: string }[]>('batch_id', db.raw('SUM(amount) AS moved'));
	const drawn = new Map(moves.map((row) => [row.batch_id, settled(-Number(row.moved))]));
	const batches = await tracedBatches(db, kitchenId, [...drawn.keys()], drawn);
	const mixed = await batchesByMix(db, kitchenId, lotId);
	return {
		batches,
		possible: await tracedBatches(
			db,
			kitchenId,
			mixed.filter((id) => !drawn.has(id)),
			new Map()
		)
	};
}

/** Ids of batches made since a lot came with a mix that holds its ingredient, however deep. */
async function batchesByMix(db: Database, kitchenId: string, lotId: string): Promise<string[]> {
	const lot = await db('lots')
		.where({ kitchen_id: kitchenId, id: lotId })
		.first('ingredient_id', 'received_on');
	if (!lot || lot.ingredient_id === null) return [];
	const holding = new Set<string>();
	let next = [lot.ingredient_id];
	while (next.length > 0) {
		const mixes = await db('mix_lines')
			.where('kitchen_id', kitchenId)
			.whereIn('ingredient_id', next)
			.distinct()
			.pluck<string[]>('mix_id');
		next = mixes.filter((id) => !holding.has(id));
		for (const id of next) holding.add(id);
	}
	if (holding.size === 0) return [];
	return db('batch_lines as l')
		.join('batches as b', 'b.id', 'l.batch_id')
		.where('l.kitchen_id', kitchenId)
		.whereIn('l.ingredient_id', [...holding])
		.where('b.made_on', '>=', lot.received_on)
		.distinct()
		.pluck<string[]>('b.id');
}

const WAY_SQL = `CASE COALESCE(o.kind, s.kind) WHEN 'gift' THEN 'gift' WHEN 'sample' THEN 'sample'
	WHEN 'written off' THEN 'written off' ELSE 'sold' END`;

/** Packs that left one way. A sum is a decimal, so text. */
type SoldRow = { batch_id: string; sold_on: string; channel: string; way: TracedSale['way']; packs: string };

/** Batches with where their packs went, newest first; `drawn` is what each took of a lot. */
export async function tracedBatches(
	db: Database,
	kitchenId: string,
	ids: readonly string[],
	drawn: ReadonlyMap<string, number>
): Promise<TracedBatch[]> {
	if (ids.length === 0) return [];
	const [rows, sold] = await Promise.all([
		db('batches as b')
			.join('products as p', 'p.id', 'b.product_id')
			.join('formulas as f', 'f.id', 'p.formula_id')
			.leftJoin('label_revisions as r', 'r.id', labelOfBatch(db))
			.where('b.kitchen_id', kitchenId)
			.whereIn('b.id', [...ids])
			.orderBy([
				{ column: 'b.made_on', order: 'desc' },
				{ column: 'b.id', order: 'desc' }
			])
			.select<Row[]>('b.*', 'f.name', 'r.number as label_number'),
		// A given pack is in somebody's hands too: it is traced like a sold one.
		db('sales as s')
			.leftJoin('sales as o', 'o.id', 's.voids_id')
			.where('s.kitchen_id', kitchenId)
			.whereIn('s.batch_id', [...ids])
			.groupByRaw(`s.batch_id, s.sold_on, s.channel, ${WAY_SQL}`)
			.havingRaw('SUM(s.packs) <> 0')
			.orderBy(['s.sold_on', 's.channel'])
			.select<SoldRow[]>(
				's.batch_id',
				's.sold_on',
				's.channel',
				db.raw(`${WAY_SQL} AS way`),
				db.raw('SUM(s.packs) AS packs')
			)
	]);
	const salesBy = groupBy(sold, (row) => row.batch_id);
	return rows.map((row) => ({
		id: row.id,
		code: row.code,
		name: row.name,
		madeOn: row.made_on,
		packPieces: row.pack_pieces,
		drawn: drawn.get(row.id) ?? null,
		labelNumber: toNumber(row.label_number),
		packsMade: row.packs_made,
		packsGiven: row.packs_given,
		packsLeft: Number(row.packs_left),
		sales: (salesBy.get(row.id) ?? []).map((sale) => ({
			soldOn: sale.sold_on,
			channel: sale.channel,
			way: sale.way,
			packs: Number(sale.packs)
		}))
	}));
}

/** Counts over traced batches, for a recall. */
export function tracedTotals(batches: readonly TracedBatch[]): {
	made: number;
	sold: number;
	given: number;
	left: number;
} {
	const sum = (of: (batch: TracedBatch) => number) => batches.reduce((total, each) => total + of(each), 0);
	return {
		made: sum((batch) => batch.packsMade),
		sold: sum((batch) => batch.packsMade - batch.packsLeft - batch.packsGiven),
		given: sum((batch) => batch.packsGiven),
		left: sum((batch) => batch.packsLeft)
	};
}
