import { decodeTime } from 'ulid';
import type { Entry } from '$core/bench/entries.ts';
import type { LeftEntry, QueueName } from '../../left/types.ts';
import { entryWords, saleWords } from '../../left/words.ts';
import type { SaleEntry } from '../../sales/types.ts';
import type { Database } from '../db/connection.ts';

/** How many entries wait for the owner. */
export async function countLeft(db: Database, kitchenId: string): Promise<number> {
	const [row] = await db('left_entries')
		.where({ kitchen_id: kitchenId, state: 'waits' })
		.count<{ n: number }[]>({ n: '*' });
	return row?.n ?? 0;
}

/** What a device left, as it had it. */
export function batchIdOf(item: unknown): string {
	const { batchId } = (item ?? {}) as { batchId?: unknown };
	return typeof batchId === 'string' ? batchId : '';
}

/** An entry in words; one that cannot be read any more says so. */
function wordsOf(queue: QueueName, item: unknown): string {
	try {
		return queue === 'till' ? saleWords(item as SaleEntry) : entryWords((item as { entry: Entry }).entry);
	} catch {
		return 'an entry of an older version';
	}
}

interface LeftRow {
	id: string;
	queue: string;
	item: string;
	message: string;
	by: string | null;
	device: string | null;
}

/** Entries that wait for the owner, in the order they were made. */
export async function listLeft(db: Database, kitchenId: string): Promise<LeftEntry[]> {
	const rows = await db('left_entries as l')
		.leftJoin('memberships as m', 'm.id', 'l.membership_id')
		.leftJoin('deeds as e', 'e.id', 'l.deed_id')
		.leftJoin('devices as d', 'd.id', 'e.device_id')
		.where('l.kitchen_id', kitchenId)
		.where('l.state', 'waits')
		.orderBy('l.id')
		.select<LeftRow[]>('l.id', 'l.queue', 'l.item', 'l.message', { by: 'm.name', device: 'd.name' });
	const items = rows.map(({ item }) => JSON.parse(item) as unknown);
	const batches = await db('batches')
		.where('kitchen_id', kitchenId)
		.whereIn('id', items.map(batchIdOf))
		.select('id', 'code');
	return rows.map((row, nth) => {
		const queue = row.queue as QueueName;
		const code = batches.find(({ id }) => id === batchIdOf(items[nth]))?.code;
		return {
			id: row.id,
			by: row.by ?? 'somebody',
			device: row.device,
			queue,
			what: `${wordsOf(queue, items[nth])}${code === undefined ? '' : `, batch ${code}`}`,
			madeAt: new Date(decodeTime(row.id)).toISOString().replace('Z', ''),
			message: row.message
		};
	});
}
