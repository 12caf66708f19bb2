import { endOfMonth, parseDate } from '@internationalized/date';
import { isDay } from '$lib/server/edge/query.ts';
import { today } from '$lib/server/kitchens.ts';
import { getProfile } from '$lib/server/profiles.ts';
import { ALL, firstDay } from '$lib/server/sales/ledger.ts';
import { sumOfGroups } from '$lib/sales/totals.ts';
import { ledgerSplit } from '$lib/server/sales/totals.ts';
import { yearOfSales } from '$lib/server/sales/year.ts';
import type { PageServerLoad } from './$types';

/** A calendar year's sales, by month, product, place and way of paying. */
export const load: PageServerLoad = async ({ locals: { db, kitchen }, url }) => {
	const day = today(kitchen);
	const asked = url.searchParams.get('year') ?? '';
	const year = /^\d{4}$/.test(asked) ? asked : day.slice(0, 4);
	const monthAsked = url.searchParams.get('month') ?? '';
	const month = isDay(`${monthAsked}-01`) ? monthAsked : null;
	const filter = month
		? { ...ALL, from: `${month}-01`, to: endOfMonth(parseDate(`${month}-01`)).toString() }
		: { ...ALL, from: `${year}-01-01`, to: `${year}-12-31` };
	const { profile } = await getProfile(db, kitchen.id);
	const [byTime, byProduct, byChannel, byPaying, ofYear, first] = await Promise.all([
		ledgerSplit(db, kitchen.id, filter, month ? 'day' : 'month'),
		ledgerSplit(db, kitchen.id, filter, 'product'),
		ledgerSplit(db, kitchen.id, filter, 'channel'),
		ledgerSplit(db, kitchen.id, filter, 'paid'),
		yearOfSales(
			db,
			kitchen.id,
			year === day.slice(0, 4) ? day : `${year}-12-31`,
			profile?.yearlyLimit ?? null
		),
		firstDay(db, kitchen.id)
	]);
	const from = (first ?? day).slice(0, 4);
	return {
		year,
		month,
		years: Array.from({ length: Number(day.slice(0, 4)) - Number(from) + 1 }, (_, index) =>
			String(Number(from) + index)
		),
		total: sumOfGroups(byChannel),
		byTime,
		byProduct,
		byChannel,
		byPaying,
		ofYear,
		day,
		address: kitchen.address,
		town: kitchen.town
	};
};
