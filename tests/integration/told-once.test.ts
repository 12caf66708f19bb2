import { describe, expect, it } from 'vitest';
import { event, weighing } from '$core/testing/entries.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { recordBatch } from '$lib/server/batches/record.ts';
import { listSummaries } from '$lib/server/batches/standing.ts';
import { keepEntries } from '$lib/server/bench/entries.ts';
import type { BatchInput } from '$lib/batch/types.ts';
import { Stale } from '$lib/server/errors.ts';
import { createKitchen, getKitchen } from '$lib/server/kitchens.ts';
import { saveKitchen } from '$lib/server/kitchen-settings.ts';
import { receiveLot } from '$lib/server/lots/receive.ts';
import { pricePacks } from '$lib/server/prices.ts';
import { addPricePack } from '$lib/server/shelf-keep.ts';
import { newId } from '$lib/server/rows.ts';
import { recordSale } from '$lib/server/sales/keep.ts';
import { KITCHEN, makeRoti, measured, useBench } from './kitchen.ts';

const bench = useBench();

async function planned(name: string) {
	const roti = await makeRoti(bench, name);
	const plan = { productId: roti.productId, madeOn: '2026-03-01', factor: 1 };
	const id = await createBatch(bench.db, bench.kitchen, newId(), plan);
	const now = () => getBatch(bench.db, bench.kitchen, id);
	return {
		...roti,
		id,
		now,
		record: async (more: Partial<BatchInput> = {}) => {
			const batch = await now();
			await recordBatch(bench.db, bench.kitchen, id, batch.version, measured(batch, more));
		},
		keep: (...entries: Parameters<typeof keepEntries>[3]) =>
			keepEntries(bench.db, bench.kitchen, id, entries),
		listed: async () =>
			(await listSummaries(bench.db, bench.kitchen, { newest: 200 })).find((each) => each.id === id)
	};
}
const sell = (batchId: string, packs: number) =>
	recordSale(bench.db, bench.kitchen.id, newId(), {
		batchId,
		packs,
		price: '6.50',
		soldOn: '2026-03-02',
		channel: 'door'
	});

describe('packs made', () => {
	it('are none where nobody counted them, and nothing can be sold', async () => {
		const { id, record, now, listed } = await planned('Never counted');
		await record({ packs: null, sellable: null, loose: null });
		expect(await now()).toMatchObject({ packs: null, packsMade: 0, packsLeft: 0 });
		expect(await listed()).toMatchObject({ packsMade: 0, packsLeft: 0 });
		await expect(sell(id, 1)).rejects.toThrow('0 packs left');
	});

	it('counted and cleared again are none', async () => {
		const { id, record, now, listed } = await planned('Cleared');
		await record({ packs: 12 });
		expect(await now()).toMatchObject({ packsMade: 12 });
		await record({ packs: null });
		expect(await now()).toMatchObject({ packs: null, packsMade: 0 });
		expect(await listed()).toMatchObject({ packsMade: 0, packsLeft: 0 });
		await expect(sell(id, 1)).rejects.toThrow('0 packs left');
	});

	it('of a phone correct those of a tablet an hour ahead', async () => {
		const { keep, now } = await planned('Clocks');
		const counted = (of: 'balls' | 'packs', count: number, at: string) =>
			event({ name: 'counted', of, count }, { at });
		const [tablet, phone] = ['2026-03-01T11:00:00.000Z', '2026-03-01T10:05:00.000Z'];
		const ball = weighing({ at: tablet, grams: 70 });
		await keep(counted('packs', 30, tablet), ball);
		await keep(counted('packs', 32, phone), weighing({ at: phone, grams: 61, corrects: ball.id }));
		expect(await now()).toMatchObject({ packs: 32, packsMade: 32, ballWeights_g: [61] });
	});
});

describe('a line nobody weighed', () => {
	it('stays so when the rest is recorded at the desk, and the mix is open', async () => {
		const { id, record, now, listed } = await planned('No salt');
		const lines = (await now()).lines.map((line, index) => ({
			id: line.id,
			grams: index === 2 ? null : line.planned_g,
			uptake_g: line.use === 'dough' ? null : 26
		}));
		await record({ lines });
		const batch = await now();
		expect(batch.lines[2]).toMatchObject({ planned_g: 20, weighed_g: null });
		expect(batch.closings[0]).toMatchObject({ stage: 'mix', state: 'open' });
		expect((await listed())?.standing.closings[0]).toMatchObject({ state: 'open' });
		const [{ count } = { count: 0 }] = (await bench
			.db('weighings')
			.where({ batch_id: id, line_id: lines[2]?.id ?? '' })
			.count('* as count')) as { count: number }[];
		expect(Number(count)).toBe(0);
	});

	it('is weighed by no other figure that is put right', async () => {
		const { record, now } = await planned('Only what it names');
		const batch = await now();
		const nothing = batch.lines.map(({ id }) => ({ id, grams: null, uptake_g: null }));
		const none = { doughWeight_g: null, leftover_g: null, ballWeights_g: [], finishedWeights_g: [] };
		await record({
			...none,
			lines: nothing,
			ballCount: 26,
			rejects: 0,
			sellable: null,
			packs: null,
			loose: null
		});
		const after = await now();
		expect(after.ballCount).toBe(26);
		expect(after.lines.every((line) => line.weighed_g === null && line.weighedUptake_g === null)).toBe(true);
	});
});

describe('lots', () => {
	const lot = (ingredientId: string, material: string, received: number, receivedOn: string) =>
		receiveLot(bench.db, bench.kitchen, newId(), {
			ingredientId,
			material,
			supplier: '',
			supplierCode: '',
			receivedOn,
			received,
			amount: null,
			usable: 1,
			bestBefore: null,
			note: ''
		});

	it('of an ingredient and of a material of one name are drawn apart', async () => {
		const { flour, record, now } = await planned('bag');
		await bench.db('ingredients').where({ id: flour }).update({ name: 'bag' });
		await lot(flour, '', 5000, '2026-02-01');
		await lot('', 'bag', 50, '2026-02-01');
		await record();
		const uses = (await now()).stock.filter((use) => use.name === 'bag');
		expect(uses.map((use) => [use.ingredientId, use.from.map(({ amount }) => amount)])).toEqual([
			[flour, [1060]], // 1000 in the dough, 60 on the board
			[null, [4]] // a bag a pack
		]);
	});

	it('received on the day a batch was baked and sold are not said to be in it', async () => {
		const { id, salt, record, now } = await planned('Sold before it came');
		await lot(salt, '', 5, '2026-02-01');
		await record();
		await sell(id, 4);
		await lot(salt, '', 500, '2026-03-01');
		const use = (await now()).stock.find((each) => each.ingredientId === salt);
		expect(use?.from.map(({ amount }) => amount)).toEqual([5]);
	});
});

describe('what is sent twice, or saved over another', () => {
	it('a price is kept once', async () => {
		const { water } = await makeRoti(bench, 'Priced twice');
		const pack = { amount: '1.00', grams: 1000, usable: 1, boughtOn: '2026-01-01', supplier: '' };
		const key = newId();
		await Promise.all([1, 2, 3].map(() => addPricePack(bench.db, bench.kitchen.id, water, pack, key)));
		expect(await pricePacks(bench.db, bench.kitchen.id, water)).toHaveLength(1);
	});

	it('a kitchen saved from an older form is refused', async () => {
		const id = await createKitchen(bench.db, { ...KITCHEN, name: 'Another' });
		const { version, ...kitchen } = await getKitchen(bench.db, id);
		await saveKitchen(bench.db, id, version, { ...kitchen, name: 'One' });
		await expect(saveKitchen(bench.db, id, version, { ...kitchen, name: 'Other' })).rejects.toThrow(Stale);
		expect(await getKitchen(bench.db, id)).toMatchObject({ name: 'One', version: version + 1 });
	});
});
