import { describe, expect, it } from 'vitest';
import { profitByDay } from '$lib/server/costs/profit.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { newId } from '$lib/server/rows.ts';
import { salesCsvHead, salesCsvRows } from '$lib/server/sales/csv.ts';
import { keepSale, recordSale, voidSale } from '$lib/server/sales/keep.ts';
import { ALL, ledgerPage, salesOfBatch } from '$lib/server/sales/ledger.ts';
import { ledgerSplit, ledgerTotal } from '$lib/server/sales/totals.ts';
import { importPastSales, previewPastSales, type PastOptions } from '$lib/server/sales/past/import.ts';
import { yearOfSales } from '$lib/server/sales/year.ts';
import { createKitchen } from '$lib/server/kitchens.ts';
import { KITCHEN, makeRoti, recordRoti, useBench } from './kitchen.ts';

const bench = useBench();
const OPTIONS: PastOptions = { order: 'year-month-day', channel: '', fromBatches: false };
const preview = (text: string, more: Partial<PastOptions> = {}) =>
	previewPastSales(bench.db, bench.kitchen, text, { ...OPTIONS, ...more });
const bringIn = async (text: string, more: Partial<PastOptions> = {}, lines?: number[]) =>
	importPastSales(
		bench.db,
		bench.kitchen,
		text,
		{ ...OPTIONS, ...more },
		new Set(lines ?? (await preview(text, more)).map((row) => row.line))
	);
const day = (soldOn: string) => ({ ...ALL, from: soldOn, to: soldOn });
const HEAD = 'date,place,product,packs,price';

describe('a file of past sales', () => {
	it('is read by the names of its columns, whatever their order', async () => {
		const [row] = await preview('Packs;Day;What;Where;Total\n3;2025-03-14;Oat pita;Market;18,00');
		expect(row).toMatchObject({
			line: 2,
			state: 'new',
			item: 'Oat pita',
			total: '18.00',
			// 18.00 / 3
			sale: { soldOn: '2025-03-14', channel: 'Market', packs: 3, price: '6', kind: 'sale' }
		});
	});

	it.each([
		['date,product,packs,price\n2025-03-14,Pita,3,6.00', 'says no place'],
		[`${HEAD}\n14/03/2025,Market,Pita,3,6.00`, 'does not begin with the year'],
		[`${HEAD}\n2025-02-30,Market,Pita,3,6.00`, 'is not a day'],
		[`${HEAD}\n2999-01-01,Market,Pita,3,6.00`, 'still to come'],
		[`${HEAD}\n2025-03-14,Market,Pita,0,6.00`, 'must be from 1 to'],
		[`${HEAD}\n2025-03-14,Market,Pita,1.5,6.00`, 'must be a whole number'],
		[`${HEAD}\n2025-03-14,Market,Pita,3,six`, 'is not an amount of money'],
		// Read on, it would be 6.00 and not 6.50.
		[`${HEAD}\n2025-03-14,Market,Pita,3,6,50`, 'has 6 cells where the first row names 5 columns'],
		[`${HEAD}\n2025-03-14,Market,,3,6.00`, 'says neither what was sold nor of which batch'],
		['date,place,product,packs,total\n2025-03-14,Market,Pita,3,10.00\n', 'does not divide into 3 packs'],
		['date,place,product,packs\n2025-03-14,Market,Pita,3', 'says neither a price nor a total'],
		[`${HEAD},kind\n2025-03-14,Market,Pita,3,6.00,loan`, 'is not one of sale, gift'],
		[`${HEAD},paid\n2025-03-14,Market,Pita,3,6.00,owed`, 'does not say by whom'],
		[`${HEAD},kind\n2025-03-14,Market,Pita,3,6.00,written off`, 'does not say why']
	])('says what is wrong with a row: %j', async (text, says) => {
		const [row] = await preview(text);
		expect(row?.state).toBe('bad');
		expect(row?.problems.map(({ message }) => message).join()).toContain(says);
		expect((await bringIn(text)).rows).toBe(0);
	});

	it.each([
		['flour and water', /one of them the day/],
		['date,place,product,price\n2025-03-14,Market,Pita,6', /how many packs/],
		['date,place,packs,price\n2025-03-14,Market,3,6', /"product" or "batch"/]
	])('that is none is refused: %j', async (text, says) => {
		await expect(preview(text)).rejects.toThrow(says);
	});

	it('reads days as it is told to, and a year in front always as one', async () => {
		const text = `${HEAD}\n03/04/2025,Market,Pita,3,6.00\n2025-04-03,Market,Pita,3,6.00`;
		const days = async (order: PastOptions['order']) =>
			(await preview(text, { order })).map((row) => row.sale?.soldOn);
		expect(await days('month/day/year')).toEqual(['2025-03-04', '2025-04-03']);
		expect(await days('day/month/year')).toEqual(['2025-04-03', '2025-04-03']);
	});
});

describe('past sales', () => {
	it('without a batch count in every total and the year, and lead to no bag', async () => {
		const { db, kitchen } = bench;
		const text = `${HEAD},kind\n2024-05-04,Fair,Old loaf,2,5.25,\n2024-05-04,Fair,Old loaf,1,0,sample`;
		expect(await bringIn(text)).toEqual({ rows: 2, packs: 3 });
		expect(await ledgerTotal(db, kitchen.id, day('2024-05-04'))).toMatchObject({
			packs: 2,
			given: 1,
			money: '10.50'
		});
		expect(await ledgerSplit(db, kitchen.id, day('2024-05-04'), 'product')).toMatchObject([
			{ name: 'Old loaf, no batch known', packs: 2, money: '10.50' }
		]);
		expect((await yearOfSales(db, kitchen.id, '2024-12-31', null)).money).toBe('10.50');
		const [sale] = await ledgerPage(db, kitchen.id, { ...day('2024-05-04'), kind: 'sale' }, { most: 5 });
		expect(sale).toMatchObject({ batchId: null, batchCode: '', product: 'Old loaf', packPieces: null });
		expect(await profitByDay(db, kitchen, { from: '2024-05-04', to: '2024-05-04' })).toMatchObject([
			{ takings: '10.50', materials: '0.00', uncosted: 3 }
		]);
		await voidSale(db, kitchen.id, sale?.id ?? '', 'not ours');
		await voidSale(db, kitchen.id, sale?.id ?? '', 'not ours');
		expect(await ledgerTotal(db, kitchen.id, day('2024-05-04'))).toMatchObject({
			packs: 0,
			money: '0.00',
			entries: 3
		});
		await expect(
			keepSale(db, kitchen.id, {
				id: newId(),
				kind: 'return',
				ofId: sale?.id ?? '',
				batchId: '',
				soldOn: '2024-05-05',
				channel: '',
				packs: 1,
				price: '0',
				paidBy: null,
				checkoutId: null,
				customer: '',
				reason: 'stale',
				thrownAway: false
			})
		).rejects.toThrow(/nobody knows of which batch/);
	});

	it('draw from the oldest batches that had packs by their day, and only those', async () => {
		const { productId } = await makeRoti(bench, 'Past roti');
		// Four packs each, made on 2026-01-01.
		const [first, second] = [await recordRoti(bench, productId), await recordRoti(bench, productId)];
		const text = [
			HEAD,
			'2025-12-31,Door,past ROTI,1,6.50',
			'2026-01-02,Door,Past roti,5,6.50',
			'2026-01-03,Door,Past roti,4,6.50'
		].join('\n');
		const rows = await preview(text, { fromBatches: true });
		expect(rows.map((row) => row.parts.map(({ packs, batch }) => [packs, batch?.id ?? null]))).toEqual([
			[[1, null]],
			[
				[4, first],
				[1, second]
			],
			[
				[3, second],
				[1, null]
			]
		]);
		expect(await bringIn(text, { fromBatches: true })).toEqual({ rows: 3, packs: 10 });
		for (const id of [first, second]) expect((await getBatch(bench.db, bench.kitchen, id)).packsLeft).toBe(0);
		const total = await ledgerTotal(bench.db, bench.kitchen.id, { ...ALL, productId });
		// 10 × 6.50; the product's filter finds those without a batch as well
		expect(total).toMatchObject({ packs: 10, money: '65.00' });
	});

	it('of a batch they name are of that batch, or are not taken', async () => {
		const { productId } = await makeRoti(bench, 'Named roti');
		const batch = await getBatch(bench.db, bench.kitchen, await recordRoti(bench, productId));
		const head = 'date,place,batch,packs,price';
		const bad = await preview(
			[
				head,
				`2025-12-31,Door,${batch.code},1,6`,
				`2026-01-02,Door,${batch.code},3,6`,
				`2026-01-02,Door,${batch.code},2,6`
			].join('\n')
		);
		expect(bad.map((row) => row.state)).toEqual(['bad', 'new', 'bad']);
		expect(bad[0]?.problems[0]?.message).toContain('after this day');
		// 4 − 3 of the line before
		expect(bad[2]?.problems[0]?.message).toContain('has 1 pack left, not 2');
		const [wrong] = await preview(
			`date,place,product,batch,packs,price\n2026-01-02,Door,Past roti,${batch.code},1,6`
		);
		expect(wrong?.problems[0]?.message).toContain('is not of Past roti');
	});

	it('brought in twice are asked about, and are counted once unless somebody says so', async () => {
		const text = `${HEAD}\n2024-06-01,Fair,Twice bread,2,5.00\n2024-06-01,Fair,Twice bread,2,5.00`;
		await bringIn(text, {}, [2]);
		const again = await preview(text);
		// One of the two is in the ledger; the other is another customer's.
		expect(again.map((row) => row.state)).toEqual(['alike', 'new']);
		await bringIn(text, {}, [3]);
		expect((await preview(text)).map((row) => row.state)).toEqual(['alike', 'alike']);
		expect((await ledgerTotal(bench.db, bench.kitchen.id, day('2024-06-01'))).packs).toBe(4);
	});

	it('of our own export are known again by their ids, and voids with what they void are left out', async () => {
		const { db, kitchen } = bench;
		const batch = await recordRoti(bench, (await makeRoti(bench, 'Exported roti')).productId);
		const [kept, voided] = [newId(), newId()];
		const plain = { batchId: batch, soldOn: '2026-01-07', channel: 'door', packs: 1, price: '6.50' };
		await recordSale(db, kitchen.id, kept, plain);
		await recordSale(db, kitchen.id, voided, plain);
		await voidSale(db, kitchen.id, voided, 'slip');
		const csv = [
			salesCsvHead(),
			salesCsvRows(await salesOfBatch(db, kitchen.id, batch), kitchen.currency, true)
		].join('\r\n');
		const states = (await preview(csv)).map((row) => row.state);
		expect(states.sort()).toEqual(['here', 'left out', 'left out']);
		expect(await bringIn(csv)).toEqual({ rows: 0, packs: 0 });
	});

	it('that cannot all be taken are not taken at all', async () => {
		const { productId } = await makeRoti(bench, 'All or none');
		const batch = await getBatch(bench.db, bench.kitchen, await recordRoti(bench, productId));
		const text = `date,place,product,batch,packs,price\n2024-07-01,Fair,Sound bread,,1,5.00\n2026-01-02,Door,,${batch.code},4,6.00`;
		await expect(
			bench.db.transaction(async (db) => {
				await importPastSales(db, bench.kitchen, text, OPTIONS, new Set([2, 3]));
				throw new Error('cut short');
			})
		).rejects.toThrow('cut short');
		expect((await ledgerTotal(bench.db, bench.kitchen.id, day('2024-07-01'))).entries).toBe(0);
		expect((await getBatch(bench.db, bench.kitchen, batch.id)).packsLeft).toBe(4);
	});
});

it('sums hold the largest entries there can be', async () => {
	const { db, kitchen } = bench;
	// 10 000 packs at 999 999 999: ten million millions, twice in a month.
	const row = '2019-06-01,Fair,Golden loaf,10000,999999999';
	expect((await bringIn(`${HEAD}\n${row}\n${row}`)).rows).toBe(2);
	const { money } = await ledgerTotal(db, kitchen.id, { ...ALL, from: '2019-06-01', to: '2019-06-30' });
	expect(money).toBe('19999999980000.00');
	const [largest] = await ledgerPage(db, kitchen.id, ALL, { sort: 'largest', most: 1 });
	expect(largest?.product).toBe('Golden loaf');
});

describe('a file of another kitchen, or put together from two', () => {
	const IDS = `id,${HEAD},batch`;
	const row = (id: string, packs: number, batch = '') =>
		`${id},2024-08-03,Fair,Barley bread,${packs},5.00,${batch}`;

	it('rows that share an id are both told, and neither comes in', async () => {
		const id = newId();
		const text = [IDS, row(id, 1), row(newId(), 2), row(id, 3)].join('\n');
		const rows = await preview(text);
		expect(rows.map(({ state }) => state)).toEqual(['bad', 'new', 'bad']);
		expect(rows[0]?.problems[0]).toMatchObject({
			column: 'id',
			message: expect.stringContaining('line 4') as string
		});
		expect(rows[2]?.problems[0]?.message).toContain('line 2');
		expect(await bringIn(text)).toEqual({ rows: 1, packs: 2 });
	});

	it('an id that is another kitchen’s is not taken over, nor are its batches taken for ours', async () => {
		const { db, kitchen } = bench;
		const other = await createKitchen(db, { ...KITCHEN, name: 'Another kitchen' });
		const id = newId();
		const text = [IDS, row(id, 4, '240801-1')].join('\n');
		const there = { ...kitchen, id: other };
		const [read] = await previewPastSales(db, there, [IDS, row(id, 4)].join('\n'), OPTIONS);
		expect(
			await importPastSales(db, there, [IDS, row(id, 4)].join('\n'), OPTIONS, new Set([2]))
		).toMatchObject({ rows: 1 });
		expect(read?.state).toBe('new');
		// Here it is of no batch, which is said, and comes in under an id of its own.
		const [planned] = await preview(text);
		expect(planned).toMatchObject({
			state: 'without batch',
			why: expect.stringContaining('240801-1') as string
		});
		expect(await bringIn(text)).toEqual({ rows: 1, packs: 4 });
		expect(await db('sales').where('id', id).pluck('kitchen_id')).toEqual([other]);
		// A second time it is like one that is there.
		expect((await preview(text))[0]?.state).toBe('alike');
	});
});
