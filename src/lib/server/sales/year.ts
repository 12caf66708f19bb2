import { paceOf, type Pace } from '$core/cost/pace.ts';
import { Decimal } from 'decimal.js';
import type { Database } from '../db/connection.ts';
import { ALL } from './ledger.ts';
import { ledgerTotal } from './totals.ts';

/** What was sold in a calendar year, against what the local profile says may be. */
export interface YearOfSales {
	year: string;
	money: string;
	limit: string | null;
	/** What is left up to the limit, below zero past it; null without a limit. */
	left: string | null;
	/** How fast it goes; null before anything is sold. */
	pace: Pace | null;
}

/** The sales of a day's calendar year, up to that day, against a yearly limit; exact to the cent. */
export async function yearOfSales(
	db: Database,
	kitchenId: string,
	day: string,
	limit: string | null
): Promise<YearOfSales> {
	const year = day.slice(0, 4);
	const { money } = await ledgerTotal(db, kitchenId, { ...ALL, from: `${year}-01-01`, to: `${year}-12-31` });
	return {
		year,
		money,
		limit,
		left: limit === null ? null : new Decimal(limit).minus(money).toFixed(2),
		pace: paceOf(money, limit, day)
	};
}

/**
 * The year before, while it is still January, where what was sold in it is past the limit: a device that was away brings
 * sales of its last days when nobody looks at that year any more. Null where it is not.
 */
export async function yearThatEnded(
	db: Database,
	kitchenId: string,
	day: string,
	limit: string | null
): Promise<YearOfSales | null> {
	if (limit === null || day.slice(5, 7) !== '01') return null;
	const before = await yearOfSales(db, kitchenId, `${Number(day.slice(0, 4)) - 1}-12-31`, limit);
	return before.left !== null && new Decimal(before.left).isNegative() ? before : null;
}
