import { timeTaken_min, type Moment } from '$core/bench/bench.ts';
import type { Database } from '../db/connection.ts';
import { groupBy, type Row } from '../rows.ts';

/** How long the making of these batches took at the bench, minutes by batch id; none where nothing says. */
export async function timesTaken(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[]
): Promise<Map<string, number>> {
	const of = (table: string) =>
		db(table)
			.where('kitchen_id', kitchenId)
			.whereIn('batch_id', [...batchIds]);
	const [weighings, events] = (await Promise.all([
		// A correction is typed when a slip is found, not when the batch is made.
		// What is typed may have been typed days later: it is not read, and there is most of it.
		of('weighings')
			.whereNull('corrects_id')
			.where('taken_by', 'scale')
			.select('batch_id', 'taken_at as at', 'taken_by as what'),
		of('batch_events').select('batch_id', 'happened_at as at', 'name as what')
	])) as [Row[], Row[]];
	return new Map(
		[...groupBy([...weighings, ...events], (row) => String(row.batch_id))].flatMap(([id, rows]) => {
			const taken_min = timeTaken_min(
				rows.map((row) => ({
					at: `${String(row.at).replace(' ', 'T')}Z`,
					what: row.what as Moment['what']
				}))
			);
			return taken_min === null ? [] : [[id, taken_min] as const];
		})
	);
}
