import { beforeAll, expect, it } from 'vitest';
import { today } from '$lib/server/kitchens.ts';
import { tillsSold } from '$lib/server/sales/till-count.ts';
import { recordSale } from '$lib/server/sales/keep.ts';
import { fillKitchens, idIn } from '../../scripts/lib/many-kitchens.ts';
import { mostRead, queriesOf } from '../../scripts/lib/queries.ts';
import { newId } from '$lib/server/rows.ts';
import type { Kitchen } from '../../src/lib/kitchen/types.ts';
import { demoLoaded, useBench } from './kitchen.ts';

const bench = useBench();
const OTHERS = 6;
let kitchen: Kitchen;
beforeAll(async () => {
	kitchen = await demoLoaded(bench.db);
	await fillKitchens(bench.db, kitchen.id, { dormant: 0, active: 0, market: OTHERS });
	await bench.db.raw('ANALYZE TABLE sales, orders, order_lines, batches');
}, 120_000);

it('other kitchens are whole, under ids of their own', async () => {
	const [own] = await bench
		.db('sales')
		.where('kitchen_id', kitchen.id)
		.count<{ rows: number }[]>({ rows: '*' });
	const [all] = await bench.db('sales').count<{ rows: number }[]>({ rows: '*' });
	expect(own?.rows).toBeGreaterThan(100);
	expect(all?.rows).toBe((OTHERS + 1) * (own?.rows ?? 0));
	const batch = await bench.db('batches').where('kitchen_id', kitchen.id).first('id', 'packs_made');
	const copied = await bench
		.db('batches')
		.where('id', idIn(3, batch?.id ?? ''))
		.first('kitchen_id', 'packs_made');
	expect(copied).toEqual({ kitchen_id: idIn(3, kitchen.id), packs_made: (batch?.packs_made ?? 0) + 100_000 });
});

it('what a day’s tills come to reads nothing of another kitchen, whatever these sold that day', async () => {
	const day = today(kitchen);
	for (let nth = 0; nth < OTHERS; nth++) {
		const of = idIn(nth, kitchen.id);
		const batch = await bench.db('batches').where('kitchen_id', of).where('made_on', '<=', day).first('id');
		for (let sale = 0; sale < 30; sale++)
			await recordSale(bench.db, of, newId(), {
				batchId: batch?.id ?? '',
				soldOn: day,
				channel: 'Market',
				packs: 1,
				price: '5.00'
			});
	}
	const [own] = await bench
		.db('sales')
		.where({ kitchen_id: kitchen.id, sold_on: day })
		.count<{ rows: number }[]>({ rows: '*' });
	const [orders] = await bench
		.db('orders')
		.where('kitchen_id', kitchen.id)
		.count<{ rows: number }[]>({ rows: '*' });
	const { rows, sql } = await mostRead(bench.db, await queriesOf(() => tillsSold(bench.db, kitchen.id, day)));
	// Its own sales of the day and its orders with their lines: of the others' 180 none.
	expect([rows <= 20 + 2 * (own?.rows ?? 0) + 10 * (orders?.rows ?? 0) ? '' : sql, rows]).toEqual(['', rows]);
	expect(rows).toBeLessThan(180);
});
