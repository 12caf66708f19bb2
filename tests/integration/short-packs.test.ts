import { beforeAll, describe, expect, it } from 'vitest';
import type { Entry } from '../../core/bench/entries.ts';
import { batchesLeft } from '../../src/lib/server/batches/left.ts';
import { getBatch } from '../../src/lib/server/batches/read.ts';
import { keepEntries } from '../../src/lib/server/bench/entries.ts';
import { newId } from '../../src/lib/server/rows.ts';
import { keepSale } from '../../src/lib/server/sales/keep.ts';
import type { SaleEntry } from '../../src/lib/sales/types.ts';
import { makeRoti, recordRoti, useBench } from './kitchen.ts';

const bench = useBench();
let batchId: string;
const left = async () => (await batchesLeft(bench.db, bench.kitchen)).find((each) => each.id === batchId);
const sale = (more: Partial<SaleEntry> = {}): SaleEntry => ({
	id: newId(),
	kind: 'sale',
	checkoutId: null,
	batchId,
	soldOn: '2026-03-07',
	channel: 'Stall',
	packs: 1,
	price: '6.50',
	paidBy: 'cash',
	customer: '',
	reason: '',
	ofId: null,
	thrownAway: false,
	...more
});
const keep = (entry: SaleEntry) => keepSale(bench.db, bench.kitchen.id, entry);

beforeAll(async () => {
	const { productId } = await makeRoti(bench, 'Short roti');
	batchId = await recordRoti(bench, productId);
});

describe('a short pack', () => {
	it('is one more to sell, of so many pieces, and the full ones stay as many', async () => {
		const event: Entry = {
			kind: 'event',
			id: newId(),
			number: null,
			at: '2026-01-01T12:00:00.000Z',
			happening: { name: 'short pack', pieces: 3 },
			voids: null
		};
		await keepEntries(bench.db, bench.kitchen, batchId, [event]);
		expect(await left()).toMatchObject({ packsLeft: 4, shortPacks: [3] });
		expect((await getBatch(bench.db, bench.kitchen, batchId)).packsMade).toBe(5);
	});

	it('is not taken for a full one, and one that is not there is refused', async () => {
		await expect(keep(sale({ packs: 5 }))).rejects.toMatchObject({
			problems: [
				{ path: 'packs', message: expect.stringContaining('has 4 full packs left, not 5; one is short') }
			]
		});
		await expect(keep(sale({ pieces: 2, price: '2.17' }))).rejects.toMatchObject({
			problems: [{ message: expect.stringContaining('no short pack of 2') }]
		});
	});

	it('is sold once for its own price, and is back when the sale is voided', async () => {
		const sold = sale({ pieces: 3, price: '3.25' });
		await keep(sold);
		expect(await left()).toMatchObject({ packsLeft: 4, shortPacks: [] });
		await expect(keep(sale({ pieces: 3, price: '3.25' }))).rejects.toMatchObject({
			problems: [{ message: expect.stringContaining('no short pack of 3') }]
		});
		await keep(sale({ kind: 'void', ofId: sold.id, reason: 'a slip', pieces: 3 }));
		expect(await left()).toMatchObject({ packsLeft: 4, shortPacks: [3] });
		await keep(sale({ packs: 4 }));
		await keep(sale({ pieces: 3, price: '3.25' }));
		expect(await left()).toBeUndefined();
	});
});
