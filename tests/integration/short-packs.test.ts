import { beforeAll, describe, expect, it } from 'vitest';
import type { EventEntry } from '../../core/bench/entries.ts';
import { batchesLeft } from '../../src/lib/server/batches/left.ts';
import { getBatch } from '../../src/lib/server/batches/read.ts';
import { keepEntries } from '../../src/lib/server/bench/entries.ts';
import { newId } from '../../src/lib/server/rows.ts';
import { salesOfBatch } from '../../src/lib/server/sales/ledger.ts';
import { keepSale } from '../../src/lib/server/sales/keep.ts';
import type { SaleEntry } from '../../src/lib/sales/types.ts';
import { makeRoti, recordRoti, useBench } from './kitchen.ts';
import { oneSale } from '../../scripts/lib/one-sale.ts';

const bench = useBench();
let batchId: string;
const left = async () => (await batchesLeft(bench.db, bench.kitchen)).find((each) => each.id === batchId);
const sale = (more: Partial<SaleEntry> = {}): SaleEntry =>
	oneSale({ batchId, soldOn: '2026-03-07', checkoutId: null, ...more });
const keep = (entry: SaleEntry) => keepSale(bench.db, bench.kitchen.id, entry);

const event = (happening: EventEntry['happening'], voids: string | null = null): EventEntry => ({
	kind: 'event',
	id: newId(),
	number: null,
	at: '2026-01-01T12:00:00.000Z',
	happening,
	voids
});
const happened = (entry: EventEntry) => keepEntries(bench.db, bench.kitchen, batchId, [entry]);
const made = event({ name: 'short pack', pieces: 3 });

beforeAll(async () => {
	const { productId } = await makeRoti(bench, 'Short roti');
	batchId = await recordRoti(bench, productId);
	await happened(event({ name: 'counted', of: 'loose', count: 4 }));
});

describe('a short pack', () => {
	it('is one more to sell, of so many pieces, and the full ones stay as many', async () => {
		await happened(made);
		expect(await left()).toMatchObject({ packsLeft: 4, shortPacks: [3] });
		expect((await getBatch(bench.db, bench.kitchen, batchId)).packsMade).toBe(5);
	});

	it('holds no more than lies loose, and as many stay counted while it is there', async () => {
		await expect(happened(event({ name: 'short pack', pieces: 2 }))).rejects.toMatchObject({
			problems: [
				{ path: 'loose', message: expect.stringContaining('5 pieces are in short packs, and 4 were counted') }
			]
		});
		await expect(happened(event({ name: 'counted', of: 'loose', count: 2 }))).rejects.toMatchObject({
			problems: [{ path: 'loose' }]
		});
		expect(await left()).toMatchObject({ packsLeft: 4, shortPacks: [3] });
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
		// What is sold is not taken apart again: a full pack would be gone in its place.
		await expect(happened(event({ name: 'void' }, made.id))).rejects.toMatchObject({
			problems: [{ path: 'packs', message: expect.stringContaining('a short pack of 3 is gone already') }]
		});
		// The ledger says how many were in it.
		const [entry] = await salesOfBatch(bench.db, bench.kitchen.id, batchId);
		expect(entry).toMatchObject({ packs: 1, packPieces: 3, total: '3.25' });
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
