import { listSummaries } from '$lib/server/batches/standing.ts';
import { describe, expect, it } from 'vitest';
import { closeBatch, correctBatch } from '$lib/server/batches/close.ts';
import { usualMixGap, usualYield } from '$lib/server/batches/history.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { trendsOf } from '$lib/server/batches/trends.ts';
import { addEquipment } from '$lib/server/equipment.ts';
import { recordBatch } from '$lib/server/batches/record.ts';
import type { BatchInput } from '$lib/batch/types.ts';
import { Stale } from '$lib/server/errors.ts';
import { addPricePack } from '$lib/server/shelf-keep.ts';
import { newId } from '$lib/server/rows.ts';
import { recordSale } from '$lib/server/sales/keep.ts';
import { makeRoti, measured, useBench } from './kitchen.ts';

const bench = useBench();
/** 26 balls of 60 g out of 1600 g leave 40 g; 24 sellable and two rejects; four packs of six. */
const COUNTED = { sellable: 24, packs: 4, loose: 0, doughWeight_g: 1600, leftover_g: 40 };

/** A batch recorded with these measurements. */
async function recorded(name: string, more: Partial<BatchInput> = {}) {
	const { db, kitchen } = bench;
	const { productId, flour } = await makeRoti(bench, name);
	const id = await createBatch(db, kitchen, newId(), { productId, madeOn: '2026-01-01', factor: 1 });
	const planned = await getBatch(db, kitchen, id);
	await recordBatch(db, kitchen, id, planned.version, measured(planned, { ...COUNTED, ...more }));
	return { id, flour, read: () => getBatch(db, kitchen, id) };
}
const close = async (id: string, version: number, reason = '') =>
	closeBatch(bench.db, bench.kitchen, id, version, reason);

describe('closing a batch', () => {
	it('that squares fixes its facts, whatever prices come to be known later', async () => {
		const { db, kitchen } = bench;
		const { id, flour, read } = await recorded('Squared');
		const open = await read();
		expect(open.closings.map((closing) => closing.state)).toEqual(Array(5).fill('squares'));
		await close(id, open.version);
		const closed = await read();
		expect(closed.closed).toMatchObject([{ number: 1, reason: '' }]);
		expect(closed.facts).toEqual(open.facts);
		await addPricePack(db, kitchen.id, flour, {
			amount: '99.00',
			grams: 1000,
			usable: 1,
			boughtOn: '2026-01-01',
			supplier: ''
		});
		expect((await read()).facts?.cost).toEqual(open.facts?.cost);
		expect((await read()).recipe).toEqual(open.recipe);
	});

	it('that does not square needs a reason, and so does one with evidence missing', async () => {
		for (const more of [{ ballCount: 25 }, { sellable: null }]) {
			const { id, read } = await recorded(`Unsquared ${JSON.stringify(more)}`, more);
			const { version } = await read();
			await expect(close(id, version)).rejects.toThrow('say why it is closed');
			await close(id, version, 'one fell to the floor');
			expect((await read()).closed[0]?.reason).toBe('one fell to the floor');
		}
	});

	it('is refused while nothing is recorded, twice, and over somebody else’s save', async () => {
		const { db, kitchen } = bench;
		const { productId } = await makeRoti(bench, 'Unrecorded');
		const id = await createBatch(db, kitchen, newId(), { productId, madeOn: '2026-01-01', factor: 1 });
		await expect(close(id, 1, 'why')).rejects.toThrow('record what was measured first');
		const { id: other, read } = await recorded('Closed once');
		const { version } = await read();
		await expect(close(other, version - 1)).rejects.toThrow(Stale);
		await close(other, version);
		await expect(close(other, version + 1)).rejects.toThrow('closed already');
	});
});

describe('a closed batch', () => {
	it('is never edited: the application refuses, and so does the database', async () => {
		const { db, kitchen } = bench;
		const { id, read } = await recorded('Fixed');
		await close(id, (await read()).version);
		const closed = await read();
		await expect(recordBatch(db, kitchen, id, closed.version, measured(closed, COUNTED))).rejects.toThrow(
			'record a correction'
		);
		await expect(db('batches').where({ id }).update({ rejects: 9 })).rejects.toThrow('never edited');
		await expect(db('batches').where({ id }).update({ closed_at: null })).rejects.toThrow('never edited');
		await expect(
			db('weighings').insert({
				id: newId(),
				kitchen_id: kitchen.id,
				batch_id: id,
				what: 'dough',
				grams: 1,
				taken_at: '2026-01-01 00:00:00.000'
			})
		).rejects.toThrow('the batch is closed');
		await expect(db('batch_closings').where({ batch_id: id }).delete()).rejects.toThrow('never edited');
		await recordSale(db, kitchen.id, newId(), {
			batchId: id,
			soldOn: '2026-01-02',
			channel: 'door',
			packs: 1,
			price: '6.50'
		});
		expect((await read()).packsLeft).toBe(3);
	});

	it('is corrected by an entry beside it, with both facts kept', async () => {
		const { db, kitchen } = bench;
		const { id, read } = await recorded('Corrected', { ballCount: 25, sellable: 24 });
		await close(id, (await read()).version, 'a ball short');
		const closed = await read();
		const right = { ...measured(closed, COUNTED), ballCount: 26 };
		await expect(correctBatch(db, kitchen, id, closed.version, right, ' ')).rejects.toThrow(
			'say why it is corrected'
		);
		await correctBatch(db, kitchen, id, closed.version, right, 'one ball was not counted');
		const corrected = await read();
		expect(corrected.closed.map(({ number, reason, facts }) => [number, reason, facts.yield.pieces])).toEqual(
			[
				[1, 'a ball short', 25],
				[2, 'one ball was not counted', 26]
			]
		);
		expect(corrected.ballCount).toBe(26);
		expect(corrected.facts?.yield.pieces).toBe(26);
		expect(corrected.closings.map((closing) => closing.state)).toEqual(Array(5).fill('squares'));
		const [row] = (await db('batches').where({ id }).select('ball_count')) as { ball_count: number }[];
		expect(row?.ball_count).toBe(25);
		await expect(correctBatch(db, kitchen, id, closed.version, right, 'again')).rejects.toThrow(Stale);
	});

	it('is not corrected to fewer packs than were sold, nor to what cannot be', async () => {
		const { db, kitchen } = bench;
		const { id, read } = await recorded('Sold before');
		await close(id, (await read()).version);
		await recordSale(db, kitchen.id, newId(), {
			batchId: id,
			soldOn: '2026-01-02',
			channel: 'door',
			packs: 4,
			price: '6.50'
		});
		const closed = await read();
		const correct = (more: Partial<BatchInput>) =>
			correctBatch(db, kitchen, id, closed.version, { ...measured(closed, COUNTED), ...more }, 'recount');
		await expect(correct({ packs: 3 })).rejects.toThrow('4 of this batch are gone already');
		await expect(correct({ ballCount: 40 })).rejects.toThrow();
		expect((await read()).closed).toHaveLength(1);
	});
});

describe('what a formula’s batches teach the next plan', () => {
	it('the share of the dough that reaches the packs, and the usual loss of the mix', async () => {
		const { db, kitchen } = bench;
		const { productId, formulaId } = await makeRoti(bench, 'Taught');
		const batches = () => listSummaries(db, kitchen, { formulaId, newest: 1000 });
		expect([usualYield(await batches()), usualMixGap(await batches())]).toEqual([null, null]);
		for (const doughWeight_g of [1598, 1600, 1602, 1600]) {
			const id = await createBatch(db, kitchen, newId(), { productId, madeOn: '2026-01-01', factor: 1 });
			const planned = await getBatch(db, kitchen, id);
			const input = measured(planned, { ...COUNTED, doughWeight_g, leftover_g: doughWeight_g - 1560 });
			await recordBatch(db, kitchen, id, planned.version, input);
		}
		// 24 sellable of 60 g out of 1620 g weighed in; gaps of 22, 20, 18 and 20 g
		expect(usualYield(await batches())).toBeCloseTo((24 * 60) / 1620, 12);
		expect(usualMixGap(await batches())?.mean_g).toBeCloseTo(20, 12);
		expect(usualMixGap(await batches())?.sd_g).toBeCloseTo(Math.sqrt(8 / 3), 12);
	});
});

describe('how a formula’s batches went', () => {
	it('names the batch that stands out and what was otherwise', async () => {
		const { db, kitchen } = bench;
		const { productId, formulaId } = await makeRoti(bench, 'Trended');
		const press = await addEquipment(db, kitchen.id, 'Press of the trend');
		const board = await addEquipment(db, kitchen.id, 'Board of the trend');
		const bake = async (day: number, finished_g: number, equipment = [board]) => {
			const madeOn = `2026-01-${String(day).padStart(2, '0')}`;
			const id = await createBatch(db, kitchen, newId(), { productId, madeOn, factor: 1 });
			const planned = await getBatch(db, kitchen, id);
			await recordBatch(
				db,
				kitchen,
				id,
				planned.version,
				measured(planned, { ...COUNTED, finishedWeights_g: [finished_g, finished_g], equipment })
			);
		};
		const trend = async () =>
			trendsOf(await listSummaries(db, kitchen, { formulaId, newest: 1000 }), () => 'press').find(
				(each) => each.key === 'cookLoss'
			);
		for (let day = 1; day <= 5; day++) await bake(day, 52 + (day % 2) * 0.2);
		expect((await trend())?.chart.limits).toBeNull();
		await bake(6, 46, [press]);
		for (let day = 7; day <= 10; day++) await bake(day, 52 + (day % 2) * 0.2, [press]);
		const found = await trend();
		const marked = found?.points.filter((_, index) => found.chart.signals[index] === 'outside');
		// 61 g on the plate, 46 g finished
		expect(marked).toMatchObject([{ madeOn: '2026-01-06', changed: ['on press'] }]);
		expect(marked?.[0]?.value).toBeCloseTo(1 - 46 / 61, 9);
	});
});
