import { describe, expect, it } from 'vitest';
import { event, weighing } from '$core/testing/entries.ts';
import { noteMissingStandings } from '$lib/server/batches/change.ts';
import { closeBatch } from '$lib/server/batches/close.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { recordBatch } from '$lib/server/batches/record.ts';
import { countMade, listSummaries, recentSummaries, summariesOnBench } from '$lib/server/batches/standing.ts';
import { keepEntries } from '$lib/server/bench/entries.ts';
import { addIngredient, getIngredient } from '$lib/server/ingredients.ts';
import { saveKitchen } from '$lib/server/kitchen-settings.ts';
import { getKitchen } from '$lib/server/kitchens.ts';
import { receiveLot } from '$lib/server/lots/receive.ts';
import { importShelf } from '$lib/server/shelf-file.ts';
import { addPricePack, saveIngredient } from '$lib/server/shelf-keep.ts';
import { createFormula } from '$lib/server/formulas/keep.ts';
import { getFormula } from '$lib/server/formulas/read.ts';
import { newId } from '$lib/server/rows.ts';
import { dough } from '$core/testing/recipe.ts';
import { ingredientInput, makeRoti, measured, useBench } from './kitchen.ts';

const bench = useBench();
const plan = (productId: string, madeOn = '2026-03-01') =>
	createBatch(bench.db, bench.kitchen, newId(), { productId, madeOn, factor: 1 });
async function record(id: string): Promise<void> {
	const batch = await getBatch(bench.db, bench.kitchen, id);
	await recordBatch(bench.db, bench.kitchen, id, batch.version, measured(batch));
}
const listed = async (id: string) => {
	const found = (await listSummaries(bench.db, bench.kitchen, { newest: 500 })).find(
		(each) => each.id === id
	);
	if (!found) throw new Error(`batch ${id} is not listed`);
	return found;
};
const dearer = (ingredientId: string) =>
	addPricePack(bench.db, bench.kitchen.id, ingredientId, {
		amount: '48.00',
		grams: 24000,
		usable: 1,
		boughtOn: '2026-02-01',
		supplier: ''
	});

describe('how a batch stands in the lists', () => {
	it('is there from when it is planned, and is what the batch itself says', async () => {
		const { productId } = await makeRoti(bench, 'Listed');
		const id = await plan(productId);
		expect((await listed(id)).standing).toMatchObject({ recorded: false, next: { path: 'weigh' } });
		await record(id);
		const [batch, summary] = [await getBatch(bench.db, bench.kitchen, id), await listed(id)];
		expect(summary.standing).toMatchObject({
			recorded: true,
			closings: batch.closings,
			cost: batch.facts?.cost,
			cookLoss: batch.facts?.yield.cookLoss,
			overallYield: batch.facts?.yield.overallYield
		});
		expect(summary).toMatchObject({ packsMade: 4, packsLeft: 4, isClosed: false });
	});

	it('follows every entry of the bench', async () => {
		const { productId } = await makeRoti(bench, 'Followed');
		const id = await plan(productId);
		const batch = await getBatch(bench.db, bench.kitchen, id);
		const keep = (...entries: Parameters<typeof keepEntries>[3]) =>
			keepEntries(bench.db, bench.kitchen, id, entries);
		await keep(weighing({ what: 'line', lineId: batch.lines[0]?.id ?? '', grams: 1000 }));
		expect((await listed(id)).standing).toMatchObject({
			unweighed: 2,
			next: { words: '1 of 3 lines weighed in' }
		});
		await keep(event({ name: 'step begun', step: 0 }));
		expect((await listed(id)).standing.running).toHaveLength(1);
		await keep(event({ name: 'counted', of: 'packs', count: 3 }));
		expect(await listed(id)).toMatchObject({ packsMade: 3 });
	});

	it('costs what its ingredients cost now while it is open, and what they cost then once it is closed', async () => {
		const { productId, flour } = await makeRoti(bench, 'Dearer');
		const [open, closed] = [await plan(productId), await plan(productId)];
		for (const id of [open, closed]) await record(id);
		const { version } = await getBatch(bench.db, bench.kitchen, closed);
		await closeBatch(bench.db, bench.kitchen, closed, version, 'tried');
		const before = (await listed(open)).standing.cost?.batch;
		expect((await listed(closed)).standing.cost?.batch).toBe(before);
		await dearer(flour);
		// Flour is all that costs: twice the price, twice the cost.
		expect(Number((await listed(open)).standing.cost?.batch)).toBeCloseTo(2 * Number(before), 3);
		expect((await listed(open)).standing.cost).toEqual(
			(await getBatch(bench.db, bench.kitchen, open)).facts?.cost
		);
		expect((await listed(closed)).standing.cost?.batch).toBe(before);
	});

	it('follows what is in a mix of a mix', async () => {
		const { flour } = await makeRoti(bench, 'Deep');
		const mix = async (name: string, of: string) =>
			addIngredient(
				bench.db,
				bench.kitchen.id,
				ingredientInput(name, { source: 'mix', mix: [{ ingredient: of, grams: 1000 }] })
			);
		const inner = await mix('Deep inner mix', flour);
		const outer = await mix('Deep outer mix', inner);
		const formulaId = await createFormula(bench.db, bench.kitchen.id, newId(), {
			name: 'Deep bread',
			mixGap: 'residue',
			lines: [dough(outer, 1000)],
			productId: null,
			product: {
				pieceOne: 'roti',
				pieceMany: 'roti',
				category: 'flatbread',
				ballWeight_g: 60,
				packPieces: 6,
				servingPieces: null,
				price: null,
				materials: []
			}
		});
		const [product] = (await getFormula(bench.db, bench.kitchen.id, formulaId)).products;
		const id = await plan(product?.id ?? '');
		expect((await listed(id)).standing.cost?.batch).toBe('1.0000');
		await dearer(flour);
		expect((await listed(id)).standing.cost?.batch).toBe('2.0000');
	});

	it('follows what it goes by, whichever way that changes', async () => {
		const { productId, flour } = await makeRoti(bench, 'Ways');
		const id = await plan(productId);
		await record(id);
		const cost = async () => Number((await listed(id)).standing.cost?.batch);
		// What the lists show is what the batch itself comes to.
		const agrees = async () => {
			const [batch, summary] = [await getBatch(bench.db, bench.kitchen, id), await listed(id)];
			expect(summary.standing.cost).toEqual(batch.facts?.cost);
			expect(summary.standing.closings).toEqual(batch.closings);
			expect(summary.standing.names[flour]).toBe(batch.lines[0]?.name);
		};
		const before = await cost();
		const { version } = await getIngredient(bench.db, bench.kitchen.id, flour);
		const finer = ingredientInput('Ways flour, finer');
		await saveIngredient(bench.db, bench.kitchen.id, flour, version, finer);
		await agrees();
		expect((await listed(id)).standing.names[flour]).toBe('Ways flour, finer');

		const text = [
			'name,kind,price_amount,price_grams,price_on',
			'"Ways flour, finer",flour,48.00,24000,2026-02-02'
		].join('\r\n');
		expect(await importShelf(bench.db, bench.kitchen, text, new Set([2]))).toMatchObject({ changed: 1 });
		await agrees();
		expect(await cost()).toBeCloseTo(2 * before, 3);

		await receiveLot(bench.db, bench.kitchen, newId(), {
			ingredientId: flour,
			material: '',
			supplier: 'mill',
			supplierCode: '',
			receivedOn: '2026-02-03',
			received: 24000,
			amount: '72.00',
			usable: 1,
			bestBefore: null,
			note: ''
		});
		await agrees();
		expect(await cost()).toBeCloseTo(3 * before, 3);

		const kitchen = await getKitchen(bench.db, bench.kitchen.id);
		await saveKitchen(bench.db, kitchen.id, kitchen.version, { ...kitchen, scaleDivision_g: 5 });
		bench.kitchen = await getKitchen(bench.db, kitchen.id);
		await agrees();
	});

	it('is worked out anew where it is missing', async () => {
		const { productId } = await makeRoti(bench, 'Missing');
		const id = await plan(productId);
		await record(id);
		const before = await listed(id);
		await bench.db('batch_standings').where({ batch_id: id }).delete();
		await expect(listed(id)).rejects.toThrow('not listed');
		await noteMissingStandings(bench.db, bench.kitchen);
		expect(await listed(id)).toEqual(before);
	});
});

describe('lists of batches', () => {
	it('are the newest, those on the bench, and the newest of each product', async () => {
		const { productId } = await makeRoti(bench, 'Many');
		const days = ['2026-05-01', '2026-05-03', '2026-05-02', '2026-05-04'];
		const ids = new Map<string, string>();
		for (const day of days) ids.set(day, await plan(productId, day));
		const newest = await listSummaries(bench.db, bench.kitchen, { newest: 3 });
		expect(newest.map(({ madeOn }) => madeOn)).toEqual(['2026-05-04', '2026-05-03', '2026-05-02']);
		const made = await countMade(bench.db, bench.kitchen.id);
		await record(ids.get('2026-05-04') ?? '');
		expect(await countMade(bench.db, bench.kitchen.id)).toBe(made + 1);
		const onBench = (await summariesOnBench(bench.db, bench.kitchen)).filter(
			(each) => each.productId === productId
		);
		expect(onBench.map(({ madeOn }) => madeOn)).toEqual(['2026-05-03', '2026-05-02', '2026-05-01']);
		const recent = (await recentSummaries(bench.db, bench.kitchen, 2)).filter(
			(each) => each.productId === productId
		);
		expect(recent.map(({ madeOn }) => madeOn)).toEqual(['2026-05-04', '2026-05-03']);
	});
});
