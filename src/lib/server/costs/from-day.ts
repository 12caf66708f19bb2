import type { Database } from '../db/connection.ts';
import type { Row } from '../rows.ts';

/** Rows of what holds from a day on, the newest first: of two of one day the later one stands. */
export async function fromDayRows(
	db: Database,
	table: 'channel_fees' | 'cost_rates',
	kitchenId: string
): Promise<Row[]> {
	return await db(table)
		.where('kitchen_id', kitchenId)
		.orderBy([
			{ column: 'valid_from', order: 'desc' },
			{ column: 'id', order: 'desc' }
		]);
}
