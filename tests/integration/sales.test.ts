import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { recordBatch } from '$lib/server/batches/record.ts';
import { NotFound, Refused } from '$lib/server/errors.ts';
import { getFormula } from '$lib/server/formulas/read.ts';
import { newId } from '$lib/server/rows.ts';
import { listSales, recordSale, salesCsv, salesTotals, voidSale, yearOfSales } from '$lib/server/sales.ts';
import { makeRoti, useBench } from './kitchen.ts';

const bench = useBench();

/** A recorded batch with four packs. */
async function fourPacks(name: string): Promise<string> {
	const { formulaId } = await makeRoti(bench, name);
	const formula = await getFormula(bench.db, bench.kitchen.id, formulaId);
	const id = await createBatch(bench.db, bench.kitchen, newId(), {
		productId: formula.products[0]?.id ?? '',
		madeOn: '2026-03-01',
		factor: 1
	});
	const batch = await getBatch(bench.db, bench.kitchen, id);
	await recordBatch(bench.db, bench.kitchen, id, batch.version, {
		madeOn: batch.madeOn,
		ballWeight_g: 60,
		ballCount: 26,
		rejects: 1,
		servingPieces: null,
		note: '',
		doughWeight_g: 1600,
		leftover_g: 40,
		ballWeights_g: [],
		finishedWeights_g: [52],
		lines: batch.lines.map((line) => ({ id: line.id, grams: line.planned_g, uptake_g: null }))
	});
	return id;
}
const sell = (
	batchId: string,
	packs: number,
	more: Partial<{ id: string; soldOn: string; channel: string; price: string }> = {}
) =>
	recordSale(bench.db, bench.kitchen.id, more.id ?? newId(), {
		batchId,
		soldOn: more.soldOn ?? '2026-03-02',
		channel: more.channel ?? 'door',
		packs,
		price: more.price ?? '6.50'
	});
const left = async (id: string) => (await getBatch(bench.db, bench.kitchen, id)).packsLeft;

describe('sales', () => {
	it('take packs of a batch, and never more than it has', async () => {
		const id = await fourPacks('Sold');
		await sell(id, 3);
		await expect(sell(id, 2)).rejects.toThrow(/has 1 pack left, not 2/);
		await sell(id, 1);
		expect(await left(id)).toBe(0);
	});

	it('of the last pack from two devices at once: one succeeds, the other is told', async () => {
		const id = await fourPacks('Last pack');
		await sell(id, 3);
		const outcomes = await Promise.allSettled([sell(id, 1), sell(id, 1), sell(id, 1)]);
		expect(outcomes.filter((outcome) => outcome.status === 'fulfilled')).toHaveLength(1);
		for (const outcome of outcomes)
			if (outcome.status === 'rejected') expect(outcome.reason).toBeInstanceOf(Refused);
		expect(await left(id)).toBe(0);
	});

	it('sent twice count once, also at the same moment', async () => {
		const id = await fourPacks('Sent twice');
		const sale = newId();
		await Promise.all([sell(id, 2, { id: sale }), sell(id, 2, { id: sale })]);
		await sell(id, 2, { id: sale });
		expect(await left(id)).toBe(2);
	});

	it('are not dated before the batch was made', async () => {
		const id = await fourPacks('Too early');
		await expect(sell(id, 1, { soldOn: '2026-02-28' })).rejects.toThrow('was made on 2026-03-01');
		await sell(id, 1, { soldOn: '2026-03-01' });
	});

	it('are voided by an entry that gives the packs back, once', async () => {
		const id = await fourPacks('Voided');
		const sale = newId();
		await sell(id, 3, { id: sale });
		await voidSale(bench.db, bench.kitchen.id, sale, 'entered twice');
		await voidSale(bench.db, bench.kitchen.id, sale, 'again');
		expect(await left(id)).toBe(4);
		const [undo, sold] = await listSales(bench.db, bench.kitchen.id, id);
		expect(sold).toMatchObject({ packs: 3, voided: true, total: '19.50' });
		expect(undo).toMatchObject({ packs: -3, voidsId: sale, total: '-19.50', reason: 'entered twice' });
		await expect(voidSale(bench.db, bench.kitchen.id, undo?.id ?? '', 'x')).rejects.toThrow(Refused);
		await expect(voidSale(bench.db, bench.kitchen.id, newId(), 'x')).rejects.toThrow(NotFound);
	});

	it('are never edited or removed in the database', async () => {
		const id = await fourPacks('Kept');
		await sell(id, 1);
		await expect(bench.db('sales').where('batch_id', id).update({ packs: 2 })).rejects.toThrow(
			'never edited'
		);
		await expect(bench.db('sales').where('batch_id', id).delete()).rejects.toThrow('never removed');
	});
});

describe('totals and export', () => {
	it('add up to the cent, voids taken back, by channel', async () => {
		const id = await fourPacks('Totals');
		const sale = newId();
		await sell(id, 1, { price: '0.1', channel: 'market' });
		await sell(id, 1, { price: '0.2', channel: 'market' });
		await sell(id, 2, { price: '6.55', channel: 'door', id: sale });
		await voidSale(bench.db, bench.kitchen.id, sale, 'mistake');
		expect(salesTotals(await listSales(bench.db, bench.kitchen.id, id))).toEqual({
			packs: 2,
			money: '0.30',
			byChannel: [
				{ channel: 'market', packs: 2, money: '0.30' },
				{ channel: 'door', packs: 0, money: '0.00' }
			]
		});
	});

	it('a calendar year stands against its limit, voids taken back and other years left out', async () => {
		const id = await fourPacks('Limited');
		const voided = newId();
		await sell(id, 2, { soldOn: '2026-12-31', price: '10.00' });
		await sell(id, 1, { soldOn: '2026-12-31', price: '5.00', id: voided });
		await voidSale(bench.db, bench.kitchen.id, voided, 'mistake');
		await sell(id, 1, { soldOn: '2027-01-01', price: '10.00' });
		const sales = await listSales(bench.db, bench.kitchen.id, id);
		expect(yearOfSales(sales, '2026', '20.00')).toEqual({
			year: '2026',
			money: '20.00',
			limit: '20.00',
			left: '0.00'
		});
		expect(yearOfSales(sales, '2026', '19.99').left).toBe('-0.01');
		expect(yearOfSales(sales, '2027', null)).toMatchObject({ money: '10.00', left: null });
	});

	it('the CSV reads back, commas and quotes and all, and nothing in it runs', async () => {
		const id = await fourPacks('Comma, "quote"');
		await sell(id, 1, { channel: '=HYPERLINK("x")' });
		const csv = salesCsv(await listSales(bench.db, bench.kitchen.id, id), 'USD');
		const { data } = Papa.parse<Record<string, string>>(csv, { header: true });
		expect(data).toEqual([
			{
				date: '2026-03-02',
				channel: '\'=HYPERLINK("x")',
				product: 'Comma, "quote"',
				pieces_per_pack: '6',
				batch: expect.stringMatching(/^260301-\d+$/) as string,
				packs: '1',
				price: '6.50',
				total: '6.50',
				currency: 'USD',
				void: '',
				reason: ''
			}
		]);
	});

	it('an empty ledger still has its columns', () => {
		expect(salesCsv([], 'USD').split(',')[0]).toBe('date');
	});
});
