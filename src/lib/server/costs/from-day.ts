import type { Database } from '../db/connection.ts';
import type { RowOf, Table } from '../db/tables.ts';

/** Rows of what holds from a day on, the newest first: of two of one day the later one stands. */
export async function fromDayRows<T extends 'channel_fees' | 'cost_rates'>(
	db: Database,
	table: T,
	kitchenId: string
): Promise<RowOf<T>[]> {
	return await db(table as Table)
		.where('kitchen_id', kitchenId)
		.orderBy([
			{ column: 'valid_from', order: 'desc' },
			{ column: 'id', order: 'desc' }
		]);
}
