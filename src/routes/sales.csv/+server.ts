import { listSales, salesCsv } from '$lib/server/sales.ts';
import { today } from '$lib/server/kitchens.ts';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ locals: { db, kitchen } }) =>
	new Response(salesCsv(await listSales(db, kitchen.id), kitchen.currency), {
		headers: {
			'content-type': 'text/csv; charset=utf-8',
			'content-disposition': `attachment; filename="sales-${today(kitchen)}.csv"`
		}
	});
