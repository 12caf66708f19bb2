import { beforeAll, describe, expect, it } from 'vitest';
import type { EventEntry } from '../../core/bench/entries.ts';
import { noteMissingStandings } from '../../src/lib/server/batches/change.ts';
import { closeBatch, correctBatch } from '../../src/lib/server/batches/close.ts';
import { batchesLeft } from '../../src/lib/server/batches/left.ts';
import { getBatch } from '../../src/lib/server/batches/read.ts';
import { keepEntries } from '../../src/lib/server/bench/entries.ts';
import { newId } from '../../src/lib/server/rows.ts';
import { salesOfBatch } from '../../src/lib/server/sales/ledger.ts';
import { keepSale } from '../../src/lib/server/sales/keep.ts';
import type { SaleEntry } from '../../src/lib/sales/types.ts';
import type { BatchInput } from '../../src/lib/batch/types.ts';
import { makeRoti, measured, recordRoti, useBench } from './kitchen.ts';
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
		expect(await happened(event({ name: 'short pack', pieces: 2 }))).toMatchObject({
			answers: [
				{ kept: false, message: expect.stringContaining('5 pieces are in short packs, and 4 were counted') }
			]
		});
		expect(await happened(event({ name: 'counted', of: 'loose', count: 2 }))).toMatchObject({
			answers: [{ kept: false, message: expect.stringContaining('2 were counted loose') }]
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
		expect(await happened(event({ name: 'void' }, made.id))).toMatchObject({
			answers: [{ kept: false, message: expect.stringContaining('a short pack of 3 is gone already') }]
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

	it('stays where the closed batch is corrected, which says no fewer loose than are in it', async () => {
		const { productId } = await makeRoti(bench, 'Short and closed');
		const id = await recordRoti(bench, productId);
		const { db, kitchen } = bench;
		const loose = event({ name: 'counted', of: 'loose', count: 4 });
		await keepEntries(db, kitchen, id, [loose, event({ name: 'short pack', pieces: 3 })]);
		const open = await getBatch(db, kitchen, id);
		await closeBatch(db, kitchen, id, open.version, 'as it is');
		const closed = await getBatch(db, kitchen, id);
		expect(closed.packsMade).toBe(5);
		const correct = (more: Partial<BatchInput>) =>
			correctBatch(db, kitchen, id, closed.version, measured(closed, more), 'counted again');
		await expect(correct({ loose: 2 })).rejects.toMatchObject({
			problems: [{ path: 'loose', message: expect.stringContaining('3 pieces are in short packs') }]
		});
		await correct({ packs: 3, loose: 4 });
		// 3 full and the short one; both are there to be sold.
		expect(await getBatch(db, kitchen, id)).toMatchObject({ packsMade: 4, packsLeft: 4, packs: 3 });
		const there = (await batchesLeft(db, kitchen)).find((each) => each.id === id);
		expect(there).toMatchObject({ packsLeft: 3, shortPacks: [3] });
		// One that an earlier version corrected without it has it again once it is noted anew.
		await db('batches').where({ id }).update({ packs_made: 3 });
		await db('batch_standings').where({ batch_id: id }).delete();
		await noteMissingStandings(db, kitchen);
		expect(await getBatch(db, kitchen, id)).toMatchObject({ packsMade: 4, packsLeft: 4 });
	});
});
