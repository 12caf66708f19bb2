import type { Rates } from '$core/cost/whole.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { insertOnce } from '../db/once.ts';
import { newId, toMoney, utcNow } from '../rows.ts';
import { fromDayRows } from './from-day.ts';

/** What energy and labour cost from a day on. */
export interface RatesFrom extends Rates {
	id: string;
	validFrom: string;
}

const NONE: Rates = { tariff_perKwh: null, labour_perHour: null };
const moneyOrNull = (value: unknown) => (value === null ? null : toMoney(value));

/** Every rate of the kitchen, the newest first. */
export function listRates(db: Database, kitchenId: string): Promise<RatesFrom[]> {
	return known(db, kitchenId, 'rates', () => readListRates(db, kitchenId));
}

async function readListRates(db: Database, kitchenId: string): Promise<RatesFrom[]> {
	const rows = await fromDayRows(db, 'cost_rates', kitchenId);
	return rows.map((row) => ({
		id: row.id,
		validFrom: row.valid_from,
		tariff_perKwh: moneyOrNull(row.tariff_per_kwh),
		labour_perHour: moneyOrNull(row.labour_per_hour)
	}));
}

/** The rates in force on a day; nothing is counted before the first. */
export function ratesOn(newestFirst: readonly RatesFrom[], day: string): Rates {
	return newestFirst.find((rates) => rates.validFrom <= day) ?? NONE;
}

/** Gives rates from a day on. They are history: none is changed, a later one of the same day stands. */
export async function addRates(
	db: Database,
	kitchenId: string,
	{ validFrom, tariff_perKwh, labour_perHour }: Omit<RatesFrom, 'id'>,
	id = newId()
): Promise<void> {
	await insertOnce(db, 'cost_rates', {
		id,
		kitchen_id: kitchenId,
		valid_from: validFrom,
		tariff_per_kwh: tariff_perKwh,
		labour_per_hour: labour_perHour,
		created_at: utcNow()
	});
}
