import type { BatchStanding, BatchSummary, TellingBatch } from '../../batch/summary.ts';
import type { Kitchen } from '../../kitchen/types.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import type { Row } from '../rows.ts';
import { mayTell } from './history.ts';
import { namedBatches, namedFromRow } from './rows.ts';

/** So many of a formula's newest batches tell how it goes. */
export const RECENT_BATCHES = 24;
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
export const recentSummaries = (
	db: Database,
	kitchen: Pick<Kitchen, 'id'>,
	each = RECENT_OF_EACH
): Promise<BatchSummary[]> =>
	known(db, kitchen.id, `newest ${each} batches of each`, async () => {
		const ranked = db('batches')
			.where('kitchen_id', kitchen.id)
			.select(
				'id',
				db.raw('ROW_NUMBER() OVER (PARTITION BY product_id ORDER BY made_on DESC, id DESC) AS place')
			)
			.as('r');
		const rows = await summaries(db, kitchen.id).join(ranked, 'r.id', 'b.id').where('r.place', '<=', each);
		return rows.map(fromRow);
	});

/** What of summaries tells how formulas go. */
const telling = (newestFirst: readonly BatchSummary[]): TellingBatch[] =>
	newestFirst.filter(mayTell).map(({ packsLeft: _, ...batch }) => batch);

/** The newest batches of every product that may say how its formula goes, newest first: kept through sales and weighings. */
export const recentTelling = (db: Database, kitchen: Pick<Kitchen, 'id'>): Promise<TellingBatch[]> =>
	known(db, kitchen.id, 'batches that tell', async () => telling(await recentSummaries(db, kitchen)));

/** The same of one formula, among its newest batches. */
export const tellingOf = (
	db: Database,
	kitchen: Pick<Kitchen, 'id'>,
	formulaId: string
): Promise<TellingBatch[]> =>
	known(db, kitchen.id, `batches that tell of ${formulaId}`, async () =>
		telling(await listSummaries(db, kitchen, { formulaId, newest: RECENT_BATCHES }))
	);

/** How many of the newest batches of each formula something was weighed of, by formula id. */
export const countRecorded = (db: Database, kitchen: Pick<Kitchen, 'id'>): Promise<Map<string, number>> =>
	known(db, kitchen.id, 'batches recorded', async () => {
		const counts = new Map<string, number>();
		for (const { formulaId, standing } of await recentSummaries(db, kitchen))
			if (standing.recorded) counts.set(formulaId, (counts.get(formulaId) ?? 0) + 1);
		return counts;
	});

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
