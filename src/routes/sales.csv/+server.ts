import { today } from '$lib/server/kitchens.ts';
import { mustBeProved } from '$lib/server/edge/door/proof.ts';
import { ledgerQuery } from '$lib/server/edge/sale.ts';
import { salesCsvHead, salesCsvRows } from '$lib/server/sales/csv.ts';
import { everySale } from '$lib/server/sales/ledger.ts';
import type { Sale } from '$lib/sales/types.ts';
import type { RequestHandler } from './$types';

/** The ledger, or what a filter leaves of it, as CSV; without a filter all of it. Customers' names where they are asked for. */
export const GET: RequestHandler = async (event) => {
	const { locals, url } = event;
	const { db, kitchen } = locals;
	const { filter } = ledgerQuery(url.searchParams, '');
	const withCustomers = url.searchParams.get('customers') === 'yes';
	if (withCustomers) mustBeProved(event);
	const rows: Sale[] = [];
	for await (const sale of everySale(db, kitchen.id, { ...filter, from: filter.from || null }))
		rows.push(sale);
	const body = [
		salesCsvHead(),
		...(rows.length > 0 ? [salesCsvRows(rows, kitchen.currency, withCustomers)] : [])
	].join('\r\n');
	return new Response(body, {
		headers: {
			'content-type': 'text/csv; charset=utf-8',
			'content-disposition': `attachment; filename="sales-${today(kitchen)}.csv"`
		}
	});
};
