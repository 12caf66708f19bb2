import { benchMinutes, type BenchMinutes } from '$core/bench/minutes.ts';
import type { Working } from '$core/cost/whole.ts';
import type { Step } from '$core/formula/process.ts';
import { entriesOf } from '../bench/rows.ts';
import type { Database } from '../db/connection.ts';
import type { RowOf } from '../db/tables.ts';
import { known } from '../db/known.ts';
import { NotFound } from '../errors.ts';
import { toList, toNumber, type Row } from '../rows.ts';
import { inTransaction } from '../db/transaction.ts';

/** How long a batch took as somebody noted it; null leaves it to what the bench timed. */
export type NotedMinutes = Pick<Working, 'heat_min' | 'hands_min'>;

/** Minutes noted and power of the equipment touched, by batch id. What was closed keeps its minutes noted. */
export function workingOf(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, Working>> {
	return known(db, kitchenId, `working ${batchIds.join()}`, () => readWorkingOf(db, kitchenId, batchIds));
}

async function readWorkingOf(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, Working>> {
	const rows = await db('batches as b')
		.leftJoin('batch_equipment as e', 'e.batch_id', 'b.id')
		.leftJoin('equipment as q', 'q.id', 'e.equipment_id')
		.where('b.kitchen_id', kitchenId)
		.whereIn('b.id', [...batchIds])
		.groupBy('b.id', 'b.heat_min', 'b.hands_min')
		.select<(Pick<RowOf<'batches'>, 'id' | 'heat_min' | 'hands_min'> & { power_kw: string | null })[]>(
			'b.id',
			'b.heat_min',
			'b.hands_min',
			db.raw('SUM(q.power_kw) AS power_kw')
		);
	return new Map(
		rows.map((row) => [
			row.id,
			{
				heat_min: toNumber(row.heat_min),
				hands_min: toNumber(row.hands_min),
				power_kw: toNumber(row.power_kw)
			}
		])
	);
}

/** What the bench timed of a batch. */
export async function benchMinutesOf(
	db: Database,
	kitchenId: string,
	batchId: string
): Promise<BenchMinutes> {
	const [entries, version] = await Promise.all([
		entriesOf(db, kitchenId, batchId),
		known(db, kitchenId, `steps of ${batchId}`, () =>
			db('batches as b')
				.join('formula_versions as v', 'v.id', 'b.formula_version_id')
				.where({ 'b.kitchen_id': kitchenId, 'b.id': batchId })
				.first<Row | undefined>('v.steps')
		)
	]);
	return benchMinutes(entries, toList<Step>(version?.steps));
}

/** How long a batch took: as noted, or else as the bench timed it. */
export async function workingOfBatch(db: Database, kitchenId: string, batchId: string): Promise<Working> {
	const [noted, timed] = await Promise.all([
		workingOf(db, kitchenId, [batchId]),
		benchMinutesOf(db, kitchenId, batchId)
	]);
	const of = noted.get(batchId);
	return {
		heat_min: of?.heat_min ?? timed.heat_min,
		hands_min: of?.hands_min ?? timed.hands_min,
		power_kw: of?.power_kw ?? null
	};
}

/** Notes how long a batch took. Throws `NotFound`. */
export async function noteMinutes(
	db: Database,
	kitchenId: string,
	batchId: string,
	{ heat_min, hands_min }: NotedMinutes
): Promise<void> {
	const there = await db('batches').where({ kitchen_id: kitchenId, id: batchId }).first('id');
	if (!there) throw new NotFound('this batch is not here');
	await inTransaction(db, (transaction) =>
		transaction('batches').where({ kitchen_id: kitchenId, id: batchId }).update({ heat_min, hands_min })
	);
}

/** Keeps with a batch what the bench timed of it, where nobody noted otherwise. */
export async function keepBenchMinutes(db: Database, kitchenId: string, batchId: string): Promise<void> {
	const { heat_min, hands_min } = await workingOfBatch(db, kitchenId, batchId);
	await noteMinutes(db, kitchenId, batchId, { heat_min, hands_min });
}
