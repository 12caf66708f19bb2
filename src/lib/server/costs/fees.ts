import { NO_FEE, type Fee } from '$core/cost/selling.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { insertOnce } from '../db/once.ts';
import { newId, toMoney, utcNow } from '../rows.ts';
import { fromDayRows } from './from-day.ts';

/** What a place takes from a day on. */
export interface FeeFrom extends Fee {
	id: string;
	channel: string;
	validFrom: string;
}

/** Every fee of the kitchen, the newest first. */
export function listFees(db: Database, kitchenId: string): Promise<FeeFrom[]> {
	return known(db, kitchenId, 'fees', () => readListFees(db, kitchenId));
}

async function readListFees(db: Database, kitchenId: string): Promise<FeeFrom[]> {
	const rows = await fromDayRows(db, 'channel_fees', kitchenId);
	return rows.map((row) => ({
		id: row.id,
		channel: row.channel,
		validFrom: row.valid_from,
		perDay: toMoney(row.per_day),
		share: Number(row.share)
	}));
}

/** What a place takes on a day. */
export function feeOn(newestFirst: readonly FeeFrom[], channel: string, day: string): Fee {
	return newestFirst.find((fee) => fee.channel === channel && fee.validFrom <= day) ?? NO_FEE;
}

/** Gives what a place takes from a day on; like a price it is never changed. */
export async function addFee(
	db: Database,
	kitchenId: string,
	fee: Omit<FeeFrom, 'id'>,
	id = newId()
): Promise<void> {
	await insertOnce(db, 'channel_fees', {
		id,
		kitchen_id: kitchenId,
		channel: fee.channel,
		valid_from: fee.validFrom,
		per_day: fee.perDay,
		share: fee.share,
		created_at: utcNow()
	});
}
