import { RIGHTS } from '../../src/lib/people/roles.ts';
import { beforeAll, describe, expect, it } from 'vitest';
import { createBatch } from '$lib/server/batches/create.ts';
import { batchesLeft } from '$lib/server/batches/left.ts';
import { batchesOnBench, getBatch } from '$lib/server/batches/read.ts';
import { recentSummaries } from '$lib/server/batches/standing.ts';
import { recordBatch } from '$lib/server/batches/record.ts';
import { addPricePack } from '$lib/server/shelf-keep.ts';
import { today as todayOf } from '$lib/server/kitchens.ts';
import { receiveLot } from '$lib/server/lots/receive.ts';
import { newId } from '$lib/server/rows.ts';
import { keepSale, voidSale } from '$lib/server/sales/keep.ts';
import type { SaleEntry } from '$lib/sales/types.ts';
import { attentionOf } from '$lib/server/today/attention.ts';
import { firstSteps } from '$lib/server/today/first-steps.ts';
import { comingDemand } from '$lib/server/plan/demand.ts';
import { makeRoti, measured, useBench } from './kitchen.ts';
import { oneSale } from '../../scripts/lib/one-sale.ts';

const bench = useBench();
let roti: Awaited<ReturnType<typeof makeRoti>>;
let batchId = '';
let today = '';
const before = (days: number) =>
	new Date(Date.parse(`${today}T00:00:00Z`) - days * 86_400_000).toISOString().slice(0, 10);

/** Records a batch of the roti made some days ago: 26 balls less 2 rejects, 24 pieces, 4 packs of 6. */
async function made(daysAgo: number): Promise<string> {
	const { db, kitchen } = bench;
	const id = await createBatch(db, kitchen, newId(), {
		productId: roti.productId,
		madeOn: before(daysAgo),
		factor: 1
	});
	const batch = await getBatch(db, kitchen, id);
	await recordBatch(db, kitchen, id, batch.version, measured(batch));
	return id;
}

const sell = async (packs: number, daysAgo: number, more: Partial<SaleEntry> = {}): Promise<string> => {
	const id = newId();
	await keepSale(
		bench.db,
		bench.kitchen.id,
		oneSale({ id, batchId, soldOn: before(daysAgo), channel: 'market', packs, checkoutId: null, ...more })
	);
	return id;
};
const toMake = async () =>
	comingDemand(
		bench.db,
		bench.kitchen,
		await batchesLeft(bench.db, bench.kitchen),
		await batchesOnBench(bench.db, bench.kitchen)
	);
const attention = async () =>
	attentionOf(
		bench.db,
		bench.kitchen,
		await batchesLeft(bench.db, bench.kitchen),
		await recentSummaries(bench.db, bench.kitchen),
		RIGHTS
	);

beforeAll(async () => {
	today = todayOf(bench.kitchen);
	roti = await makeRoti(bench, 'Roti');
	batchId = await made(20);
});

describe('where a kitchen begins', () => {
	const done = async () => (await firstSteps(bench.db, bench.kitchen.id))?.map((step) => step.done);
	it('is with everything to be done, and ends with the first sale', async () => {
		expect((await firstSteps(bench.db, newId()))?.map((step) => step.done)).toEqual(Array(6).fill(false));
		// Shelf, formula and a batch that was weighed are there; rules, label and sales are not.
		expect(await done()).toEqual([true, true, true, false, false, false]);
		await sell(1, 7);
		expect(await done()).toBeUndefined();
	});
});

describe('what to make', () => {
	it('is nothing before a weekday sold twice', async () => {
		// One pack a week ago.
		expect(await toMake()).toEqual([]);
	});

	it('is what such days sold, less what is left and what the bench is to give', async () => {
		// A week and two weeks ago one pack each: one is wanted today, and of 4 made 2 are left.
		const second = await sell(1, 14);
		expect(await toMake()).toMatchObject([
			{
				day: today,
				place: 'market',
				toMake: 0,
				products: [
					{
						productId: roti.productId,
						name: 'Roti',
						packPieces: 6,
						days: [
							{ sold: 1, soldOutAt: null },
							{ sold: 1, soldOutAt: null }
						],
						ahead: { make: 1, littleKnown: true },
						there: 1,
						planned: 0,
						toMake: 0
					}
				]
			}
		]);
		await voidSale(bench.db, bench.kitchen.id, second, 'entered twice');
		expect(await toMake()).toEqual([]);
	});

	it('does not count what was given away or written off', async () => {
		await sell(1, 14, { kind: 'gift', price: '0', paidBy: null });
		expect(await toMake()).toEqual([]);
	});

	it('counts a planned batch by the packs it is to give', async () => {
		await sell(1, 14);
		// Nothing is left of the first batch now: 4 made, 2 sold, 1 given and 1 more.
		await sell(1, 21 - 7 * 2, { kind: 'written off', price: '0', paidBy: null, reason: 'stale' });
		expect((await toMake())[0]?.products[0]).toMatchObject({
			ahead: { make: 1 },
			there: 0,
			planned: 0,
			toMake: 1
		});
		await createBatch(bench.db, bench.kitchen, newId(), {
			productId: roti.productId,
			madeOn: today,
			factor: 1
		});
		expect((await toMake())[0]?.products[0]).toMatchObject({ there: 0, planned: 1, toMake: 0 });
	});
});

describe('what wants looking at', () => {
	const about = async (what: RegExp) => (await attention()).find((each) => what.test(each.what));

	it('says what keeps a label from being approved, as grave', async () => {
		expect(await about(/^Label of Roti/)).toMatchObject({
			grave: true,
			href: `/labels/${roti.productId}`
		});
	});

	it('names a price that is too old to go by, and not one that is not', async () => {
		// The flour was bought on 1 January 2026; water and salt never had a price.
		expect(await about(/price/i)).toMatchObject({
			grave: false,
			href: `/shelf/${roti.flour}`,
			why: expect.stringContaining('Roti flour') as string
		});
		await addPricePack(bench.db, bench.kitchen.id, roti.flour, {
			amount: '25.00',
			grams: 24000,
			usable: 1,
			boughtOn: today,
			supplier: ''
		});
		expect(await about(/price/i)).toBeUndefined();
	});

	it('names a batch that was made and not closed', async () => {
		expect(await about(/not closed/)).toMatchObject({ href: `/batches/${batchId}`, grave: false });
	});

	it('names a lot past its date as grave, one near it not, and what runs out for what is planned', async () => {
		const lot = (bestBefore: string, received: number, daysAgo: number) =>
			receiveLot(bench.db, bench.kitchen, newId(), {
				ingredientId: roti.salt,
				material: '',
				supplier: '',
				supplierCode: '',
				receivedOn: before(daysAgo),
				received,
				amount: null,
				usable: 1,
				bestBefore,
				note: ''
			});
		const near = await lot(today, 5, 0);
		expect(await about(new RegExp(`lot ${near}`))).toMatchObject({ grave: false });
		// The planned batch wants 20 g of salt, and 5 are there.
		expect(await about(/^Roti salt$/)).toMatchObject({
			why: expect.stringMatching(/^15 g missing/) as string
		});
		const past = await lot(before(1), 100, 2);
		expect(await about(new RegExp(`lot ${past}`))).toMatchObject({ grave: true });
		expect(await about(/^Roti salt$/)).toBeUndefined();
		const all = await attention();
		expect(all.findLastIndex((each) => each.grave)).toBeLessThan(all.findIndex((each) => !each.grave));
	});

	it('says what is owed, by whom', async () => {
		batchId = await made(3);
		await sell(2, 0, { paidBy: 'owed', customer: 'The corner shop', checkoutId: newId() });
		expect(await about(/owed/)).toMatchObject({ what: '$13.00 is owed', why: 'by The corner shop' });
	});
});
