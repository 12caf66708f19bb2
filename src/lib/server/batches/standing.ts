import type { BatchStanding, BatchSummary } from '../../batch/summary.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { Database } from '../db/connection.ts';
import type { Row } from '../rows.ts';
import { namedBatches, namedFromRow } from './rows.ts';

/** And so many of each product where every one is listed. */
const RECENT_OF_EACH = 12;

/** Notes how batches stand, by their ids. */
export async function keepStandings(
	db: Database,
	kitchenId: string,
	standings: ReadonlyMap<string, BatchStanding>
): Promise<void> {
	if (standings.size === 0) return;
	await db('batch_standings')
		.insert(
			[...standings].map(([id, standing]) => ({
				batch_id: id,
				kitchen_id: kitchenId,
				standing: JSON.stringify(standing)
			}))
		)
		.onConflict('batch_id')
		.merge(['standing']);
}

const summaries = (db: Database, kitchenId: string) =>
	namedBatches(db, kitchenId)
		.join('batch_standings as s', 's.batch_id', 'b.id')
		.select(
			'b.id',
			'b.code',
			'b.product_id',
			'b.made_on',
			'b.ball_weight_g',
			'b.pack_pieces',
			'b.packs_made',
			'b.packs_left',
			'b.closed_at',
			'b.cooking',
			'b.trial',
			's.standing'
		);

const fromRow = (row: Row): BatchSummary => ({
	...namedFromRow(row),
	isClosed: row.closed_at !== null,
	standing: JSON.parse(row.standing) as BatchStanding
});

/** The newest batches of the kitchen, or of one formula of it, newest first. */
export async function listSummaries(
	db: Database,
	kitchen: Pick<Kitchen, 'id'>,
	{ formulaId, newest }: { formulaId?: string; newest: number }
): Promise<BatchSummary[]> {
	const query = summaries(db, kitchen.id).limit(newest);
	if (formulaId) query.where('p.formula_id', formulaId);
	return (await query).map(fromRow);
}

/** The newest batches of every product of the kitchen, newest first. */
export async function recentSummaries(
	db: Database,
	kitchen: Pick<Kitchen, 'id'>,
	each = RECENT_OF_EACH
): Promise<BatchSummary[]> {
	const ranked = db('batches')
		.where('kitchen_id', kitchen.id)
		.select(
			'id',
			db.raw('ROW_NUMBER() OVER (PARTITION BY product_id ORDER BY made_on DESC, id DESC) AS place')
		)
		.as('r');
	const rows = await summaries(db, kitchen.id).join(ranked, 'r.id', 'b.id').where('r.place', '<=', each);
	return rows.map(fromRow);
}

/** Batches that are planned or on the bench, newest first. */
export async function summariesOnBench(db: Database, kitchen: Pick<Kitchen, 'id'>): Promise<BatchSummary[]> {
	const rows = await summaries(db, kitchen.id).where('b.packs_made', 0).whereNull('b.closed_at');
	return rows.map(fromRow);
}

/** How many batches the kitchen has made: with packs, or closed without any. */
export async function countMade(db: Database, kitchenId: string): Promise<number> {
	const row = await db('batches')
		.where('kitchen_id', kitchenId)
		.first<Row>(db.raw('COUNT(*) - COALESCE(SUM(packs_made = 0 AND closed_at IS NULL), 0) AS made'));
	return Number(row.made);
}
