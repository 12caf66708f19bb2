import type { Entry, EventEntry, WeighingEntry } from '$core/bench/entries.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import type { RowOf } from '../db/tables.ts';
import { refuseTaken } from '../db/once.ts';
import { NotFound } from '../errors.ts';
import { groupBy, toNumber, utcNow, type Cells } from '../rows.ts';

const stored = (at: string) => at.replace('T', ' ').replace('Z', '');
const sent = (at: string) => `${at.replace(' ', 'T')}Z`;

function weighingFromRow(row: RowOf<'weighings'>): WeighingEntry {
	return {
		kind: 'weighing',
		id: row.id,
		number: row.number,
		at: sent(row.taken_at),
		what: row.what as WeighingEntry['what'],
		lineId: row.line_id,
		grams: toNumber(row.grams),
		corrects: row.corrects_id,
		by: row.taken_by as WeighingEntry['by'],
		lotId: row.lot_id
	};
}

function eventFromRow(row: RowOf<'batch_events'>): EventEntry {
	return {
		kind: 'event',
		id: row.id,
		number: row.number,
		at: sent(row.happened_at),
		happening: {
			...(JSON.parse(row.data) as object),
			name: row.name
		} as EventEntry['happening'],
		voids: row.voids_id
	};
}

/** Everything that was kept of batches, or of those of them that are open, in order, by batch id. */
export function entriesOfBatches(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[],
	asked: 'open' | 'all'
): Promise<Map<string, Entry[]>> {
	return known(db, kitchenId, `entries ${asked} ${batchIds.join()}`, () =>
		readEntriesOfBatches(db, kitchenId, batchIds, asked)
	);
}

async function readEntriesOfBatches(
	db: Database,
	kitchenId: string,
	batchIds: readonly string[],
	asked: 'open' | 'all'
): Promise<Map<string, Entry[]>> {
	if (batchIds.length === 0) return new Map();
	const of = async <T extends 'weighings' | 'batch_events'>(table: T): Promise<RowOf<T>[]> => {
		const query = db(`${table} as e`)
			.where('e.kitchen_id', kitchenId)
			.whereIn('e.batch_id', [...batchIds])
			.select<RowOf<T>[]>('e.*');
		if (asked === 'open') query.join('batches as b', 'b.id', 'e.batch_id').whereNull('b.closed_at');
		return await query;
	};
	const [weighings, events] = await Promise.all([of('weighings'), of('batch_events')]);
	const all = [
		...weighings.map((row) => ({ batchId: row.batch_id, entry: weighingFromRow(row) })),
		...events.map((row) => ({ batchId: row.batch_id, entry: eventFromRow(row) }))
	].sort((a, b) => (a.entry.number ?? 0) - (b.entry.number ?? 0));
	return new Map(
		[...groupBy(all, ({ batchId }) => batchId)].map(([id, of]) => [id, of.map(({ entry }) => entry)])
	);
}

/** Everything that was kept of a batch, in order. */
export async function entriesOf(db: Database, kitchenId: string, batchId: string): Promise<Entry[]> {
	return (await entriesOfBatches(db, kitchenId, [batchId], 'all')).get(batchId) ?? [];
}

/** The same of a batch that has to be there. Throws `NotFound`. */
export async function entriesOfBatch(db: Database, kitchenId: string, batchId: string): Promise<Entry[]> {
	const batch = await db('batches').where({ kitchen_id: kitchenId, id: batchId }).first('id');
	if (!batch) throw new NotFound('this batch is not here');
	return entriesOf(db, kitchenId, batchId);
}

/**
 * Keeps entries of a batch after those it has, each with the next number of the batch, and gives them back
 * with it. The batch's row must be locked.
 */
export async function insertEntries(
	db: Database,
	kitchenId: string,
	batchId: string,
	before: readonly Entry[],
	entries: readonly Entry[]
): Promise<Entry[]> {
	let number = before.reduce((most, entry) => Math.max(most, entry.number ?? 0), 0);
	const numbered = entries.map((entry) => ({ ...entry, number: ++number }));
	const common = (entry: Entry) => ({
		kitchen_id: kitchenId,
		batch_id: batchId,
		id: entry.id,
		number: entry.number
	});
	const weighings: Cells[] = [];
	const events: Cells[] = [];
	for (const entry of numbered)
		if (entry.kind === 'weighing')
			weighings.push({
				...common(entry),
				line_id: entry.lineId,
				what: entry.what,
				grams: entry.grams,
				corrects_id: entry.corrects,
				taken_by: entry.by,
				taken_at: stored(entry.at),
				lot_id: entry.lotId
			});
		else {
			const { name, ...data } = entry.happening;
			events.push({
				...common(entry),
				name,
				data: JSON.stringify(data),
				voids_id: entry.voids,
				happened_at: stored(entry.at),
				received_at: utcNow()
			});
		}
	if (weighings.length > 0) await db('weighings').insert(weighings).catch(refuseTaken);
	if (events.length > 0) await db('batch_events').insert(events).catch(refuseTaken);
	return numbered;
}
