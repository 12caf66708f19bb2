import { parseDate } from '@internationalized/date';
import { profitByBatch, profitByDay } from '$lib/server/costs/profit.ts';
import { listFees } from '$lib/server/costs/fees.ts';
import { listRates, ratesOn } from '$lib/server/costs/rates.ts';
import { isDay } from '$lib/server/edge/query.ts';
import { today } from '$lib/server/kitchens.ts';
import type { PageServerLoad } from './$types';

/** It opens with these weeks. */
const WEEKS = 8;

/** What selling days, or batches, left after everything they cost. */
export const load: PageServerLoad = async ({ locals: { db, kitchen }, url }) => {
	const day = today(kitchen);
	const asked = { from: url.searchParams.get('from'), to: url.searchParams.get('to') };
	const to = isDay(asked.to) ? asked.to : day;
	const from = isDay(asked.from) ? asked.from : parseDate(to).subtract({ weeks: WEEKS }).toString();
	const by = url.searchParams.get('by') === 'batch' ? ('batch' as const) : ('day' as const);
	const [days, batches, fees, rates] = await Promise.all([
		by === 'day' ? profitByDay(db, kitchen, { from, to }) : [],
		by === 'batch' ? profitByBatch(db, kitchen, { from, to }) : [],
		listFees(db, kitchen.id),
		listRates(db, kitchen.id)
	]);
	const inForce = ratesOn(rates, day);
	return {
		by,
		from,
		to,
		days,
		batches,
		/** What of it the kitchen counts. */
		counts: {
			energy: inForce.tariff_perKwh !== null,
			labour: inForce.labour_perHour !== null,
			fees: fees.length > 0
		}
	};
};
