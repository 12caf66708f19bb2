import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { weighing } from '$core/testing/entries.ts';
import { closeBatch, correctBatch } from '$lib/server/batches/close.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { recordBatch } from '$lib/server/batches/record.ts';
import type { BatchInput } from '$lib/batch/types.ts';
import { keepEntries } from '$lib/server/bench/entries.ts';
import { setMixLines } from '$lib/server/mixes.ts';
import { countLots } from '$lib/server/lots/count.ts';
import { stockItems } from '$lib/server/lots/outlook.ts';
import { getLot, lotsFor, lotsOnHand, movesOf } from '$lib/server/lots/read.ts';
import { receiveLot, takeBackLot } from '$lib/server/lots/receive.ts';
import type { LotInput } from '$lib/shelf/lots.ts';
import { newId, type Row } from '$lib/server/rows.ts';
import { recordSale, voidSale } from '$lib/server/sales/keep.ts';
import { traceBatch } from '$lib/server/trace/back.ts';
import { recallCsv } from '$lib/server/trace/csv.ts';
import { findCode } from '$lib/server/trace/find.ts';
import { traceLot, tracedTotals } from '$lib/server/trace/forward.ts';
import { ingredientInput, makeRoti, measured, useBench } from './kitchen.ts';
import { addIngredient } from '$lib/server/ingredients.ts';

const bench = useBench();

async function receive(
	ingredientId: string,
	received: number,
	more: Partial<LotInput> = {}
): Promise<string> {
	const id = newId();
	await receiveLot(bench.db, bench.kitchen, id, {
		ingredientId,
		material: '',
		supplier: 'mill',
		supplierCode: '',
		receivedOn: '2026-02-01',
		received,
		amount: null,
		usable: 1,
		bestBefore: null,
		note: '',
		...more
	});
	return id;
}
const onHand = async (lotId: string) => (await getLot(bench.db, bench.kitchen.id, lotId)).onHand;
const plan = (productId: string, madeOn = '2026-03-01') =>
	createBatch(bench.db, bench.kitchen, newId(), { productId, madeOn, factor: 1 });
async function record(id: string, more: Partial<BatchInput> = {}): Promise<void> {
	const batch = await getBatch(bench.db, bench.kitchen, id);
	await recordBatch(bench.db, bench.kitchen, id, batch.version, measured(batch, more));
}
const stock = async (id: string) => {
	const batch = await getBatch(bench.db, bench.kitchen, id);
	return {
		from: batch.stock.map((use) => [use.name, use.from.map((lot) => lot.amount)]),
		closing: batch.closings.find((closing) => closing.stage === 'stock')
	};
};

describe('a batch draws from lots', () => {
	it('the oldest first, what it consumed and no more; a correction gives back', async () => {
		const roti = await makeRoti(bench, 'Drawn');
		const old = await receive(roti.flour, 700, { receivedOn: '2026-01-15' });
		const young = await receive(roti.flour, 5000);
		const id = await plan(roti.productId);
		await record(id);
		// 1000 in the dough and 60 of dusting: 700 of the old, 360 of the young
		expect([await onHand(old), await onHand(young)]).toEqual([0, 4640]);
		expect((await stock(id)).from).toEqual([['Drawn flour', [700, 360]]]);
		expect((await stock(id)).closing).toMatchObject({ state: 'squares', gap: 0 });
		const before = await getBatch(bench.db, bench.kitchen, id);
		await record(id, {
			lines: before.lines.map((line) => ({
				id: line.id,
				grams: line.planned_g === 1000 ? 900 : line.planned_g,
				uptake_g: line.use === 'dough' ? null : 26
			}))
		});
		// 960 in all: the younger gets 100 back, by a move of its own
		expect([await onHand(old), await onHand(young)]).toEqual([0, 4740]);
		expect((await movesOf(bench.db, bench.kitchen.id, young)).map((move) => move.amount)).toEqual([
			100, -360, 5000
		]);
	});

	it('the lot that a reading names, at the bench', async () => {
		const roti = await makeRoti(bench, 'Named');
		const old = await receive(roti.flour, 5000, { receivedOn: '2026-01-15' });
		const young = await receive(roti.flour, 5000);
		const wrong = await receive(roti.salt, 500);
		const id = await plan(roti.productId);
		const { lines } = await getBatch(bench.db, bench.kitchen, id);
		const lineId = lines[0]?.id ?? '';
		const keep = async (lotId: string, grams: number) =>
			(await keepEntries(bench.db, bench.kitchen, id, [weighing({ what: 'line', lineId, grams, lotId })]))
				.answers[0];
		expect(await keep(young, 600)).toMatchObject({ kept: true });
		expect(await keep(old, 400)).toMatchObject({ kept: true });
		expect(await keep(wrong, 1)).toMatchObject({
			kept: false,
			message: 'the lot it names is not of what this line is'
		});
		expect([await onHand(old), await onHand(young), await onHand(wrong)]).toEqual([4600, 4400, 500]);
	});

	it('what no lot had is off by so much, until it is received', async () => {
		const roti = await makeRoti(bench, 'Short');
		await receive(roti.flour, 1000);
		const id = await plan(roti.productId);
		await record(id);
		expect((await stock(id)).closing).toMatchObject({
			state: 'off',
			gap: 60,
			message: '60 g of Short flour came from no lot'
		});
		const late = await receive(roti.flour, 1000, { receivedOn: '2026-02-28' });
		expect(await onHand(late)).toBe(940);
		expect((await stock(id)).closing).toMatchObject({ state: 'squares' });
	});

	it('nothing that came after its day, and has no stock stage where no lots were kept', async () => {
		const roti = await makeRoti(bench, 'Later');
		const lot = await receive(roti.flour, 5000, { receivedOn: '2026-03-02' });
		const id = await plan(roti.productId, '2026-03-01');
		await record(id);
		expect(await onHand(lot)).toBe(5000);
		expect(await stock(id)).toEqual({ from: [], closing: undefined });
	});

	it('a bag a pack', async () => {
		const roti = await makeRoti(bench, 'Bagged');
		// After the day of the batches of the other tests, which used bags too.
		const bags = await receive('', 10, { material: 'bag', receivedOn: '2026-03-20' });
		const id = await plan(roti.productId, '2026-03-20');
		await record(id); // 24 sellable: four packs of six
		expect(await onHand(bags)).toBe(6);
		expect((await stock(id)).from).toEqual([['bag', [4]]]);
		await expect(receive('', 2.5, { material: 'bag' })).rejects.toThrow(/whole pieces/);
	});

	it('costs what its lots cost, the rest at the price in force', async () => {
		const roti = await makeRoti(bench, 'Priced');
		// 530 g at 2.00 a kg, and 530 g of a lot nobody wrote a price of, at the 24.00 / 24 kg in force
		await receive(roti.flour, 530, { amount: '1.06', receivedOn: '2025-12-01' });
		await receive(roti.flour, 5000);
		const id = await plan(roti.productId);
		await record(id);
		const { facts } = await getBatch(bench.db, bench.kitchen, id);
		// 0.53 · 2 + 0.53 · 1 = 1.59
		expect(facts?.cost.batch).toBe('1.5900');
	});

	it('a closed batch is corrected beside its record, and its lots follow', async () => {
		const roti = await makeRoti(bench, 'Closed');
		const lot = await receive(roti.flour, 5000);
		const id = await plan(roti.productId);
		await record(id, { sellable: 24, packs: 4, loose: 0 });
		let batch = await getBatch(bench.db, bench.kitchen, id);
		await closeBatch(bench.db, bench.kitchen, id, batch.version, 'nobody weighed the leftover');
		batch = await getBatch(bench.db, bench.kitchen, id);
		expect(await onHand(lot)).toBe(3940);
		const input = measured(batch, { sellable: 24, packs: 4, loose: 0 });
		const lines = input.lines.map((line, index) => (index === 0 ? { ...line, grams: 1050 } : line));
		await correctBatch(bench.db, bench.kitchen, id, batch.version, { ...input, lines }, 'read off wrongly');
		expect(await onHand(lot)).toBe(3890);
		expect((await stock(id)).closing).toMatchObject({ state: 'squares' });
	});

	it.each([
		// 2 · 1060 − 1500, and 20 · 1060 − 15,000
		[2, 1500, 620],
		[20, 15_000, 6200]
	])('%d batches at once draw what there is, once', async (count, received, missing) => {
		const roti = await makeRoti(bench, `At once ${count}`);
		const lot = await receive(roti.flour, received);
		const ids: string[] = [];
		for (let nth = 0; nth < count; nth++) ids.push(await plan(roti.productId));
		await Promise.all(ids.map((id) => record(id)));
		expect(await onHand(lot)).toBe(0);
		const gaps = await Promise.all(ids.map(async (id) => (await stock(id)).closing));
		const gap = (closing: (typeof gaps)[number]) => (closing && closing.state !== 'open' ? closing.gap : NaN);
		expect(gaps.reduce((sum, closing) => sum + gap(closing), 0)).toBe(missing);
	});

	it('whatever is recorded, corrected and counted: a lot is what its moves come to', async () => {
		const roti = await makeRoti(bench, 'Any');
		const lots = [
			await receive(roti.flour, 800),
			await receive(roti.flour, 900),
			await receive(roti.flour, 99_000)
		];
		const ids = [await plan(roti.productId), await plan(roti.productId)];
		const step = fc.record({
			batch: fc.constantFrom(...ids),
			flour: fc.integer({ min: 1_000_000, max: 2_000_000 }).map((milligrams) => milligrams / 1000)
		});
		await fc.assert(
			fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 3 }), async (steps) => {
				for (const { batch: id, flour } of steps) {
					const { lines } = await getBatch(bench.db, bench.kitchen, id);
					await record(id, {
						doughWeight_g: null,
						lines: lines.map((line, index) => ({
							id: line.id,
							grams: index === 0 ? flour : line.planned_g,
							uptake_g: line.use === 'dough' ? null : 26
						}))
					});
				}
				for (const id of ids) {
					const batch = await getBatch(bench.db, bench.kitchen, id);
					const used = batch.lines
						.filter((line) => line.ingredient === roti.flour)
						.reduce((sum, line) => sum + Math.round(1000 * (line.weighed_g ?? 0)), 0);
					const drawn = batch.stock
						.flatMap((use) => use.from)
						.reduce((sum, lot) => sum + Math.round(1000 * lot.amount), 0);
					expect(drawn).toBe(used);
				}
				for (const lot of lots) {
					const moves = await movesOf(bench.db, bench.kitchen.id, lot);
					const sum = moves.reduce((total, move) => total + Math.round(1000 * move.amount), 0);
					expect(Math.round(1000 * (await onHand(lot)))).toBe(sum);
				}
			}),
			{ numRuns: 8 }
		);
	});
});

describe('receiving and counting', () => {
	it('a lot sent twice is one, with the next code; what was paid is the price from that day', async () => {
		const roti = await makeRoti(bench, 'Twice');
		const id = newId();
		const lot = {
			ingredientId: roti.flour,
			material: '',
			supplier: 'mill',
			supplierCode: 'B 77',
			receivedOn: '2026-02-01',
			received: 10_000,
			amount: '15.00',
			usable: 1,
			bestBefore: '2026-09-01',
			note: ''
		};
		const codes = [
			await receiveLot(bench.db, bench.kitchen, id, lot),
			await receiveLot(bench.db, bench.kitchen, id, lot)
		];
		expect(codes[0]).toBe(codes[1]);
		const next = await receiveLot(bench.db, bench.kitchen, newId(), lot);
		expect(Number(next.slice(2))).toBe(Number(codes[0]?.slice(2)) + 1);
		const prices = await bench.db('price_packs').where({ ingredient_id: roti.flour, amount: '15' });
		expect(prices).toHaveLength(2);
	});

	it('many at once have codes of their own', async () => {
		const roti = await makeRoti(bench, 'Many');
		const ids = await Promise.all([1, 2, 3, 4, 5].map(() => receive(roti.salt, 100)));
		const lots = await Promise.all(ids.map((id) => getLot(bench.db, bench.kitchen.id, id)));
		expect(new Set(lots.map((lot) => lot.code)).size).toBe(5);
	});

	it.each([
		[{ ingredientId: newId() }, /choose what it is a lot of/],
		[{ ingredientId: '' }, /say what it is a lot of/],
		[{ bestBefore: '2026-01-31' }, /before the day it was received/]
	])('refuses %j', async (more, message) => {
		const { salt } = await makeRoti(bench, `Refused ${newId()}`);
		await expect(receive(salt, 100, more)).rejects.toThrow(message);
	});

	it('a difference needs a reason; a count that went stale is said, and nothing of it is kept', async () => {
		const roti = await makeRoti(bench, 'Counted');
		const [one, other] = [await receive(roti.salt, 500), await receive(roti.flour, 5000)];
		const count = (lotId: string, expected: number, counted: number, reason = '') => ({
			lotId,
			expected,
			counted,
			reason
		});
		const keep = (...counts: Parameters<typeof countLots>[2]) =>
			countLots(bench.db, bench.kitchen.id, counts);
		await expect(keep(count(one, 500, 480))).rejects.toThrow('say why it is other than expected');
		expect(await keep(count(one, 500, 500))).toBe(0);
		await record(await plan(roti.productId));
		await expect(keep(count(one, 480, 470, 'spilled'), count(other, 5000, 4000, 'spilled'))).rejects.toThrow(
			/a batch drew from it meanwhile: 3940 should be left/
		);
		expect(await onHand(one)).toBe(480);
		// Salt: 500 − 20 drawn = 480; 470 counted. Sent twice, it is counted once.
		expect(await keep(count(one, 480, 470, 'spilled'))).toBe(1);
		expect(await keep(count(one, 480, 470, 'spilled'))).toBe(0);
		expect(await onHand(one)).toBe(470);
	});

	it('twenty counts of one lot at once, each another: one counts, the others are told', async () => {
		const roti = await makeRoti(bench, 'Counted by twenty');
		const lotId = await receive(roti.salt, 500);
		const outcomes = await Promise.allSettled(
			Array.from({ length: 20 }, (_, nth) =>
				countLots(bench.db, bench.kitchen.id, [{ lotId, expected: 500, counted: 400 + nth, reason: 'spilt' }])
			)
		);
		expect(outcomes.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
		for (const outcome of outcomes)
			if (outcome.status === 'rejected') expect(String(outcome.reason)).toContain('Count it again');
		const moves = await movesOf(bench.db, bench.kitchen.id, lotId);
		expect(moves).toHaveLength(2);
		expect(await onHand(lotId)).toBe(400 + outcomes.findIndex(({ status }) => status === 'fulfilled'));
	});

	it('one entered by mistake is taken back, and stays in the record; one that was used is not', async () => {
		const roti = await makeRoti(bench, 'Mistaken');
		const [unused, used] = [
			await receive(roti.salt, 500, { receivedOn: '2026-02-02' }),
			await receive(roti.flour, 5000)
		];
		await record(await plan(roti.productId, '2026-02-01'));
		await takeBackLot(bench.db, bench.kitchen.id, unused, 'it was sugar');
		await takeBackLot(bench.db, bench.kitchen.id, unused, 'it was sugar');
		expect(await onHand(unused)).toBe(0);
		expect(await movesOf(bench.db, bench.kitchen.id, unused)).toHaveLength(2);
		await expect(takeBackLot(bench.db, bench.kitchen.id, used, 'it was rye')).rejects.toThrow(/drew from it/);
	});

	it('the database refuses to change or remove a move', async () => {
		const roti = await makeRoti(bench, 'Guarded');
		const lot = await receive(roti.salt, 500);
		await expect(bench.db('lot_moves').where('lot_id', lot).update({ amount: 1 })).rejects.toThrow(
			/never edited/
		);
		await expect(bench.db('lot_moves').where('lot_id', lot).delete()).rejects.toThrow(/never edited/);
	});

	it('what is planned is held against what is there', async () => {
		const roti = await makeRoti(bench, 'Planned');
		await receive(roti.flour, 1500);
		const made = await plan(roti.productId);
		await record(made); // 1060 of it
		const [first] = [await plan(roti.productId), await plan(roti.productId, '2026-03-02')];
		const items = await stockItems(bench.db, bench.kitchen.id, await lotsOnHand(bench.db, bench.kitchen.id));
		const { code } = await getBatch(bench.db, bench.kitchen, first);
		// 440 left, 2 · 1060 planned
		expect(items.find((item) => item.ingredientId === roti.flour)).toMatchObject({
			onHand: 440,
			planned: 2120,
			missing: 1680,
			runsOutCode: code
		});
		const batch = await getBatch(bench.db, bench.kitchen, first);
		expect((await lotsFor(bench.db, bench.kitchen.id, batch)).map((lot) => lot.onHand)).toEqual([440]);
	});
});

describe('tracing', () => {
	it('from a lot to every pack, and from a pack back to the lot', async () => {
		const roti = await makeRoti(bench, 'Traced');
		const lot = await receive(roti.flour, 1500, { supplierCode: 'TR-9' });
		const ids = [await plan(roti.productId), await plan(roti.productId), await plan(roti.productId)];
		for (const id of ids.slice(0, 2)) await record(id);
		const [first = '', second = ''] = ids;
		const sell = async (batchId: string, packs: number, channel: string) => {
			const id = newId();
			const sale = { batchId, soldOn: '2026-03-02', channel, packs, price: '6.50' };
			await recordSale(bench.db, bench.kitchen.id, id, sale);
			return id;
		};
		await sell(first, 2, 'market');
		await sell(first, 1, 'market');
		await voidSale(bench.db, bench.kitchen.id, await sell(second, 1, 'door'), 'entered twice');
		const trace = await traceLot(bench.db, bench.kitchen.id, lot);
		// 1060 by the first; 440 were left for the second; the third is only planned
		expect(trace.batches.map(({ id, drawn, packsLeft, sales }) => ({ id, drawn, packsLeft, sales }))).toEqual(
			[
				{ id: second, drawn: 440, packsLeft: 4, sales: [] },
				{
					id: first,
					drawn: 1060,
					packsLeft: 1,
					sales: [{ soldOn: '2026-03-02', channel: 'market', way: 'sold', packs: 3 }]
				}
			]
		);
		expect(tracedTotals(trace.batches)).toEqual({ made: 8, sold: 3, given: 0, left: 5 });
		const { code } = await getBatch(bench.db, bench.kitchen, first);
		expect((await findCode(bench.db, bench.kitchen.id, ' tr-9 ')).map((each) => each.id)).toEqual([lot]);
		expect((await findCode(bench.db, bench.kitchen.id, code)).map((each) => each.id)).toEqual([first]);
		expect((await findCode(bench.db, bench.kitchen.id, code.slice(0, 5))).length).toBeGreaterThan(2);
		expect(await findCode(bench.db, bench.kitchen.id, '%')).toEqual([]);
		const back = await traceBatch(bench.db, bench.kitchen, first);
		expect(back.lots.map((each) => each.id)).toEqual([lot]);
		expect(back.weighings.filter((each) => each.what === 'line').map((each) => each.grams)).toEqual([
			1000, 600, 20
		]);
		const csv = recallCsv([{ certainty: 'holds it', batches: trace.batches }]).split('\r\n');
		// Three of the first sold and one unsold, four unsold of the second: eight made
		expect(csv.slice(1).map((row) => Number(row.split(',').at(-1)))).toEqual([4, 3, 1]);
	});

	it('a mix that holds it is named as possible, however deep', async () => {
		const roti = await makeRoti(bench, 'Mixed');
		const spice = await addIngredient(bench.db, bench.kitchen.id, ingredientInput('Mixed spice'));
		const blend = await addIngredient(bench.db, bench.kitchen.id, ingredientInput('Mixed blend'));
		await setMixLines(bench.db, bench.kitchen.id, blend, [{ ingredient: spice, grams: 10 }]);
		await setMixLines(bench.db, bench.kitchen.id, roti.salt, [{ ingredient: blend, grams: 10 }]);
		const lot = await receive(spice, 100);
		const [before, after] = [await plan(roti.productId, '2026-01-31'), await plan(roti.productId)];
		const trace = await traceLot(bench.db, bench.kitchen.id, lot);
		expect(trace.batches).toEqual([]);
		expect(trace.possible.map((each) => each.id)).toEqual([after]);
		expect(before).not.toBe(after);
	});
});

it('moves of one kitchen are not another’s', async () => {
	const roti = await makeRoti(bench, 'Own');
	const lot = await receive(roti.flour, 500);
	const other = newId();
	await expect(getLot(bench.db, other, lot)).rejects.toThrow('not here');
	expect(
		(await bench.db('lots').where({ kitchen_id: bench.kitchen.id, id: lot }).first()) as Row
	).toBeDefined();
	expect(await lotsOnHand(bench.db, other)).toEqual([]);
});
