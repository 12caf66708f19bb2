import { listSummaries } from '$lib/server/batches/standing.ts';
import { describe, expect, it } from 'vitest';
import { createBatch } from '$lib/server/batches/create.ts';
import { cookLossHistory } from '$lib/server/batches/history.ts';
import { getBatch, listBatches } from '$lib/server/batches/read.ts';
import { recordBatch } from '$lib/server/batches/record.ts';
import type { Batch, BatchInput } from '$lib/batch/types.ts';
import { Refused, Stale } from '$lib/server/errors.ts';
import { getFormula } from '$lib/server/formulas/read.ts';
import { getIngredient } from '$lib/server/ingredients.ts';
import { addPricePack, saveIngredient } from '$lib/server/shelf-keep.ts';
import { newId } from '$lib/server/rows.ts';
import { recordSale } from '$lib/server/sales/keep.ts';
import { ingredientInput, makeRoti, measured, useBench } from './kitchen.ts';

const bench = useBench();

async function plan(name: string, madeOn = '2026-03-01', factor = 1) {
	const made = await makeRoti(bench, name);
	const formula = await getFormula(bench.db, bench.kitchen.id, made.formulaId);
	const productId = formula.products[0]?.id ?? '';
	const id = await createBatch(bench.db, bench.kitchen, newId(), { productId, madeOn, factor });
	return { ...made, productId, batch: await getBatch(bench.db, bench.kitchen, id) };
}

const record = (batch: Batch, input: BatchInput, version = batch.version) =>
	recordBatch(bench.db, bench.kitchen, batch.id, version, input);
const reread = (batch: Batch) => getBatch(bench.db, bench.kitchen, batch.id);

describe('planning', () => {
	it('scales the lines and numbers the day’s batches', async () => {
		const { batch, productId } = await plan('Planned', '2026-04-05', 1.5);
		expect(batch.code).toBe('260405-1');
		expect(batch.lines.map((line) => [line.planned_g, line.plannedUptake_g])).toEqual([
			[1500, null],
			[900, null],
			[30, null],
			[90, 45]
		]);
		expect(batch).toMatchObject({ recorded: false, packsMade: 0 });
		const second = await createBatch(bench.db, bench.kitchen, newId(), {
			productId,
			madeOn: '2026-04-05',
			factor: 1
		});
		expect((await getBatch(bench.db, bench.kitchen, second)).code).toBe('260405-2');
	});

	it('sent twice is planned once', async () => {
		const { productId, batch } = await plan('Planned twice');
		await createBatch(bench.db, bench.kitchen, batch.id, { productId, madeOn: '2026-04-05', factor: 1 });
		expect(
			(await listBatches(bench.db, bench.kitchen, { newest: 1000 })).filter(
				(each) => each.productId === productId
			)
		).toHaveLength(1);
	});

	it('needs a product that is made here', async () => {
		await expect(
			createBatch(bench.db, bench.kitchen, newId(), { productId: newId(), madeOn: '2026-04-05', factor: 1 })
		).rejects.toThrow('choose a product');
	});

	it('gives batches planned at the same moment numbers of their own, and one sent twice at once is one', async () => {
		const { productId } = await plan('Planned by several', '2026-04-08');
		const order = { productId, madeOn: '2026-04-09', factor: 1 };
		const twice = newId();
		const ids = [newId(), newId(), newId(), twice, twice];
		await Promise.all(ids.map((id) => createBatch(bench.db, bench.kitchen, id, order)));
		const rows = await bench.db('batches').where('made_on', '2026-04-09').orderBy('code').pluck('code');
		expect(rows).toEqual(['260409-1', '260409-2', '260409-3', '260409-4']);
	});
});

describe('the plan of a batch', () => {
	it('is what the kitchen’s scale can show', async () => {
		// steps of 1 g: 1000 · 0.3333 = 333.3, 600 · 0.3333 = 199.98, 20 · 0.3333 = 6.67, 60 · 0.3333 = 20
		const { productId } = await makeRoti(bench, 'Planned on the scale');
		const id = await createBatch(bench.db, bench.kitchen, newId(), {
			productId,
			madeOn: '2026-01-01',
			factor: 0.3333
		});
		const { lines } = await getBatch(bench.db, bench.kitchen, id);
		expect(lines.map((line) => line.planned_g)).toEqual([333, 200, 7, 20]);
	});
});

describe('the record of a batch', () => {
	it('gives facts, packs and closings', async () => {
		const { batch } = await plan('Recorded');
		await record(batch, measured(batch));
		const after = await reread(batch);
		// 26 − 2 = 24 sellable: four packs; flour 1000 + 60 g at 0.001 = 1.06, / 24 = 0.0442
		expect(after.facts?.yield).toMatchObject({
			pieces: 26,
			sellable: 24,
			packs: 4,
			loose: 0,
			finishedWeight_g: 52
		});
		expect(after.facts?.cost).toMatchObject({ batch: '1.0600', perPiece: '0.0442', perPack: '0.38' }); // 0.265 + 0.11
		expect(after.facts?.yield.cookLoss).toBeCloseTo(1 - 52 / 61, 12);
		expect(after).toMatchObject({ recorded: true, packsMade: 4, packsLeft: 4, version: 2 });
		expect(after.closings.map((closing) => closing.state)).toEqual([
			'squares',
			'squares',
			'squares',
			'squares',
			'squares'
		]);
	});

	it('is refused whole when it cannot be, with the field', async () => {
		const { batch } = await plan('Impossible');
		const refusal = async (more: Partial<BatchInput>) => {
			const error: unknown = await record(batch, measured(batch, more)).catch((found: unknown) => found);
			return error instanceof Refused ? error.problems.map((problem) => problem.path) : error;
		};
		expect(await refusal({ finishedWeights_g: [20] })).toEqual(['finishedWeights']);
		expect(await refusal({ ballCount: 40 })).toEqual(['ballCount']);
		expect(await refusal({ rejects: 27 })).toEqual(['rejects']);
		expect(await refusal({ lines: [] })).toEqual(['lines']);
		expect(await reread(batch)).toMatchObject({ recorded: false, version: 1 });
	});

	it('never edits a reading: corrections point at what they take the place of', async () => {
		const { batch } = await plan('Corrected');
		await record(batch, measured(batch));
		const rows = () =>
			bench.db('weighings').where('batch_id', batch.id).orderBy('id') as unknown as Promise<
				{ id: string; what: string; grams: string | null; corrects_id: string | null }[]
			>;
		const before = await rows();
		await record(
			batch,
			measured(batch, { finishedWeights_g: [52, 51.5], ballWeights_g: [60, 60], doughWeight_g: 1600 }),
			2
		);
		const after = await rows();
		expect(after.slice(0, before.length)).toEqual(before);
		const fresh = after
			.slice(before.length)
			.map((row) => [row.what, row.grams, before.find((old) => old.id === row.corrects_id)?.grams]);
		expect(fresh).toEqual([
			['ball', null, '60.000'],
			['finished', '51.500', '52.000']
		]);
		expect(await reread(batch)).toMatchObject({ finishedWeights_g: [52, 51.5], ballWeights_g: [60, 60] });
		await expect(bench.db('weighings').where('batch_id', batch.id).update({ grams: 1 })).rejects.toThrow(
			'never edited'
		);
		await expect(bench.db('weighings').where('batch_id', batch.id).delete()).rejects.toThrow('never removed');
	});

	it('a stale record is refused', async () => {
		const { batch } = await plan('Stale batch');
		await record(batch, measured(batch));
		await expect(record(batch, measured(batch, { rejects: 3 }), 1)).rejects.toThrow(Stale);
		expect((await reread(batch)).rejects).toBe(2);
	});

	it('cannot give fewer packs than were sold', async () => {
		const { batch } = await plan('Sold already');
		await record(batch, measured(batch));
		await recordSale(bench.db, bench.kitchen.id, newId(), {
			batchId: batch.id,
			soldOn: '2026-03-02',
			channel: 'door',
			packs: 4,
			price: '6.50'
		});
		await expect(record(batch, measured(batch, { packs: 3 }), 2)).rejects.toThrow(
			'3 packs are counted, but 4 of this batch are sold or given away already'
		);
		// Cleared, there are none: the packs that are gone were there.
		await expect(record(batch, measured(batch, { packs: null }), 2)).rejects.toThrow(
			'no packs are counted, but 4 of this batch are sold or given away already'
		);
		await expect(bench.db('batches').where('id', batch.id).update({ packs_made: 3 })).rejects.toThrow(
			'batches_sold'
		);
	});

	it('an uptake nobody weighed is assumed again, and said', async () => {
		const { batch } = await plan('Assumed');
		await record(
			batch,
			measured(batch, { lines: measured(batch).lines.map((line) => ({ ...line, uptake_g: null })) })
		);
		const { facts } = await reread(batch);
		expect(facts?.yield.uptake_g).toBe(30);
		expect(facts?.notices.map((notice) => notice.code)).toContain('uptake-assumed');
	});
});

describe('a made batch keeps its truth', () => {
	it('when an ingredient’s values or prices change later', async () => {
		const { batch, flour } = await plan('Kept');
		await record(batch, measured(batch));
		const before = await reread(batch);
		const now = await getIngredient(bench.db, bench.kitchen.id, flour);
		await saveIngredient(
			bench.db,
			bench.kitchen.id,
			flour,
			now.version,
			ingredientInput('Kept flour', {
				allergens: ['wheat'],
				per100g: { ...now.composition.per100g, protein_g: 9 }
			})
		);
		await addPricePack(bench.db, bench.kitchen.id, flour, {
			amount: '48',
			grams: 24000,
			usable: 1,
			boughtOn: '2026-03-02',
			supplier: ''
		});
		const after = await reread(batch);
		expect(after.facts?.perPiece).toEqual(before.facts?.perPiece);
		expect(after.facts?.cost).toEqual(before.facts?.cost);
	});

	it('and its cook loss is what to expect next, if it squares', async () => {
		const { batch, formulaId, productId } = await plan('History');
		await record(batch, measured(batch));
		const off = await getBatch(
			bench.db,
			bench.kitchen,
			await createBatch(bench.db, bench.kitchen, newId(), { productId, madeOn: '2026-03-05', factor: 1 })
		);
		await record(off, measured(off, { leftover_g: 100, finishedWeights_g: [40] }));
		const history = cookLossHistory(await listSummaries(bench.db, bench.kitchen, { newest: 1000 }));
		expect(history.get(formulaId)).toBeCloseTo(1 - 52 / 61, 12);
	});
});
