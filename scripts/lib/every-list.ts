import type { Database } from '../../src/lib/server/db/connection.ts';
import type { Cells } from '../../src/lib/server/rows.ts';

/** Every list, the ledger's totals, and traces of an old and a new code. */
export async function pathsOf(db: Database, kitchenId: string): Promise<string[]> {
	const one = async (table: string, order: 'asc' | 'desc', where: Cells = {}) =>
		String(
			(
				(await db(table)
					.where({ kitchen_id: kitchenId, ...where })
					.orderBy('id', order)
					.first('id')) as Cells
			).id
		);
	const lot = String(
		(
			(await db('lot_moves')
				.where({ kitchen_id: kitchenId, kind: 'drawn' })
				.orderBy('id', 'desc')
				.first('lot_id')) as Cells
		).lot_id
	);
	const batch = await one('batches', 'desc');
	const product = await one('products', 'asc');
	const formula = await one('formulas', 'asc');
	return [
		'/',
		'/batches',
		`/batches/${batch}`,
		`/batches/${batch}/weigh`,
		'/batches/new',
		'/formulas',
		`/formulas/${formula}`,
		`/formulas/${formula}/history`,
		`/formulas/${formula}/cost`,
		'/labels',
		`/labels/${product}`,
		'/shelf',
		'/shelf/lots',
		'/shelf/lots/count',
		`/shelf/lots/${lot}`,
		'/sales',
		'/sales?from=',
		`/sales?from=&product=${product}`,
		'/sales?from=&channel=Delivery',
		'/sales?from=&paid=card&sort=oldest',
		'/sales?from=&sort=largest',
		'/sales/stall',
		'/sales/summary',
		'/sales/summary?year=2020',
		'/sales/profit',
		'/sales/profit?by=batch',
		'/sales/profit?from=2020-01-01&to=2020-12-31',
		'/kitchen/costs',
		'/kitchen/data',
		`/trace/lot/${lot}`,
		`/trace/batch/${batch}`,
		'/trace?code=20',
		'/find.json'
	];
}
