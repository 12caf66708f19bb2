import { today } from '$lib/server/kitchens.ts';
import { mustBeProved } from '$lib/server/edge/door/proof.ts';
import { ledgerQuery } from '$lib/server/edge/sale.ts';
import { everySale } from '$lib/server/sales/ledger.ts';
import type { Sale } from '$lib/sales/types.ts';
import type { RequestHandler } from './$types';

/** The ledger, or what a filter leaves of it, as JSON; without a filter all of it. Customers' names where they are asked for. */
export const GET: RequestHandler = async (event) => {
	const { locals, url } = event;
	const { db, kitchen } = locals;
	const { filter } = ledgerQuery(url.searchParams, '');
	const withCustomers = url.searchParams.get('customers') === 'yes';
	if (withCustomers) mustBeProved(event);
	const sales: Sale[] = [];
	for await (const sale of everySale(db, kitchen.id, { ...filter, from: filter.from || null }))
		sales.push(withCustomers ? sale : { ...sale, customer: '' });
	return new Response(JSON.stringify({ currency: kitchen.currency, sales }, null, '\t'), {
		headers: {
			'content-type': 'application/json; charset=utf-8',
			'content-disposition': `attachment; filename="sales-${today(kitchen)}.json"`
		}
	});
};
