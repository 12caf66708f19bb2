import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { recordBatch } from '$lib/server/batches/record.ts';
import { NotFound, Refused } from '$lib/server/errors.ts';
import { getFormula } from '$lib/server/formulas/read.ts';
import { newId } from '$lib/server/rows.ts';
import { salesCsvHead, salesCsvRows } from '$lib/server/sales/csv.ts';
import { keepSale, keepSales, recordSale, voidSale } from '$lib/server/sales/keep.ts';
import { ALL, everySale, ledgerPage, salesOfBatch, type LedgerFilter } from '$lib/server/sales/ledger.ts';
import { owedNow, payOwed } from '$lib/server/sales/payments.ts';
import { ledgerSplit, ledgerTotal } from '$lib/server/sales/totals.ts';
import type { SaleEntry } from '$lib/sales/types.ts';
import { yearOfSales, yearThatEnded } from '$lib/server/sales/year.ts';
import { makeRoti, useBench } from './kitchen.ts';
import { oneSale } from '../../scripts/lib/one-sale.ts';

const bench = useBench();

/** The product of each batch: no two tests have one. */
const productOf = new Map<string, string>();
/** The entries of one batch. */
const entriesOf = (batchId: string): LedgerFilter => ({ ...ALL, productId: productOf.get(batchId) ?? '' });

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
		sellable: 25,
		packs: 4,
		loose: 1,
		servingPieces: null,
		note: '',
		doughWeight_g: 1600,
		leftover_g: 40,
		ballWeights_g: [],
		finishedWeights_g: [52],
		lines: batch.lines.map((line) => ({ id: line.id, grams: line.planned_g, uptake_g: null }))
	});
	productOf.set(id, batch.productId);
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
		const [undo, sold] = await salesOfBatch(bench.db, bench.kitchen.id, id);
		expect(sold).toMatchObject({ packs: 3, voided: true, total: '19.50' });
		expect(undo).toMatchObject({
			kind: 'void',
			packs: -3,
			ofId: sale,
			total: '-19.50',
			reason: 'entered twice'
		});
		await expect(voidSale(bench.db, bench.kitchen.id, undo?.id ?? '', 'x')).rejects.toThrow(Refused);
		await expect(voidSale(bench.db, bench.kitchen.id, newId(), 'x')).rejects.toThrow(NotFound);
	});

	it('are never edited or removed in the database', async () => {
		const id = await fourPacks('Kept');
		await sell(id, 1);
		await expect(bench.db('sales').where('batch_id', id).update({ packs: 2 })).rejects.toThrow(
			'never edited'
		);
		await expect(bench.db('sales').where('batch_id', id).delete()).rejects.toThrow('never edited');
	});
});

/** An entry as a till sends it. */
const entry = (batchId: string, more: Partial<SaleEntry> = {}): SaleEntry =>
	oneSale({ batchId, soldOn: '2026-03-02', channel: 'door', checkoutId: null, ...more });
const keep = (each: SaleEntry) => keepSale(bench.db, bench.kitchen.id, each);
/** What a batch has left, sold and gone otherwise. */
const counts = async (id: string) => {
	const { packsLeft, packsSold, packsGiven } = await getBatch(bench.db, bench.kitchen, id);
	return [packsLeft, packsSold, packsGiven];
};

describe('at once', () => {
	const twenty = <T>(act: (index: number) => Promise<T>) =>
		Promise.allSettled(Array.from({ length: 20 }, (_, index) => act(index)));
	const kept = (outcomes: readonly PromiseSettledResult<unknown>[]) =>
		outcomes.filter((outcome) => outcome.status === 'fulfilled').length;

	it('two devices that return three of the same four packs: one can', async () => {
		const id = await fourPacks('Returned twice');
		const sale = entry(id, { packs: 4 });
		await keep(sale);
		const back = () =>
			keep(
				entry('', { kind: 'return', ofId: sale.id, packs: 3, price: '0', paidBy: null, reason: 'torn bag' })
			);
		const outcomes = await Promise.allSettled([back(), back()]);
		expect(kept(outcomes)).toBe(1);
		expect(outcomes.find((outcome) => outcome.status === 'rejected')?.reason).toBeInstanceOf(Refused);
		expect(await counts(id)).toEqual([3, 1, 0]);
	});

	it('twenty returns of one of four packs: four can', async () => {
		const id = await fourPacks('Returned twenty times');
		const sale = entry(id, { packs: 4 });
		await keep(sale);
		const outcomes = await twenty(() =>
			keep(entry('', { kind: 'return', ofId: sale.id, packs: 1, price: '0', paidBy: null, reason: 'torn' }))
		);
		expect(kept(outcomes)).toBe(4);
		expect(await counts(id)).toEqual([4, 0, 0]);
	});

	it('twenty voids of one sale void it once, and none fails', async () => {
		const id = await fourPacks('Voided twenty times');
		const sale = entry(id, { packs: 2 });
		await keep(sale);
		const outcomes = await twenty(() => voidSale(bench.db, bench.kitchen.id, sale.id, 'twice'));
		expect(kept(outcomes)).toBe(20);
		expect(await counts(id)).toEqual([4, 0, 0]);
		expect(await bench.db('sales').where('voids_id', sale.id)).toHaveLength(1);
	});

	it('a void and a return of one sale: one of them', async () => {
		const id = await fourPacks('Voided and returned');
		const sale = entry(id, { packs: 2 });
		await keep(sale);
		await Promise.allSettled([
			voidSale(bench.db, bench.kitchen.id, sale.id, 'slip'),
			keep(entry('', { kind: 'return', ofId: sale.id, packs: 2, price: '0', paidBy: null, reason: 'torn' }))
		]);
		expect(await counts(id)).toEqual([4, 0, 0]);
	});

	it('twenty sales of one of four packs: four can', async () => {
		const id = await fourPacks('Sold twenty times');
		expect(kept(await twenty(() => keep(entry(id))))).toBe(4);
		expect(await counts(id)).toEqual([0, 4, 0]);
	});
});

describe('what else happens to packs', () => {
	it('gifts, tastings and what is written off leave the batch, bring nothing and are not sold', async () => {
		const id = await fourPacks('Given');
		await keep(entry(id, { kind: 'gift', price: '6.50' }));
		await keep(entry(id, { kind: 'sample' }));
		await expect(keep(entry(id, { kind: 'written off' }))).rejects.toThrow('say why they are written off');
		const gone = entry(id, { kind: 'written off', reason: 'unsold' });
		await keep(gone);
		expect(await counts(id)).toEqual([1, 0, 3]);
		expect((await salesOfBatch(bench.db, bench.kitchen.id, id)).map((sale) => sale.total)).toEqual([
			'0.00',
			'0.00',
			'0.00'
		]);
		await voidSale(bench.db, bench.kitchen.id, gone.id, 'found a buyer');
		expect(await counts(id)).toEqual([2, 0, 2]);
		await expect(keep(entry(id, { packs: 3 }))).rejects.toThrow('has 2 packs left, not 3');
	});

	it('what comes back gives the money back, and is thrown away or for sale again', async () => {
		const id = await fourPacks('Returned');
		const sale = entry(id, { packs: 3 });
		await keep(sale);
		const back = (packs: number, thrownAway: boolean, more: Partial<SaleEntry> = {}) =>
			keep(entry(id, { kind: 'return', ofId: sale.id, packs, thrownAway, reason: 'torn bag', ...more }));
		const first = newId();
		await back(1, true, { id: first });
		expect(await counts(id)).toEqual([1, 2, 1]);
		const second = newId();
		await back(1, false, { id: second });
		await back(1, false, { id: second });
		expect(await counts(id)).toEqual([2, 1, 1]);
		await expect(back(2, true)).rejects.toThrow('1 pack of this sale can come back, not 2');
		await expect(back(1, true, { reason: '' })).rejects.toThrow('say why they came back');
		await expect(voidSale(bench.db, bench.kitchen.id, sale.id, 'x')).rejects.toThrow('void the return first');
		// 3 · 6.50 − 2 · 6.50
		expect((await ledgerTotal(bench.db, bench.kitchen.id, entriesOf(id))).money).toBe('6.50');
		// The second return was a slip: its pack is sold after all.
		await voidSale(bench.db, bench.kitchen.id, second, 'pressed by mistake');
		expect(await counts(id)).toEqual([1, 2, 1]);
		expect((await ledgerTotal(bench.db, bench.kitchen.id, entriesOf(id))).money).toBe('13.00');
		// So was the first: what was thrown away with it comes back with it, once.
		await voidSale(bench.db, bench.kitchen.id, first, 'the other customer');
		await voidSale(bench.db, bench.kitchen.id, first, 'again');
		expect(await counts(id)).toEqual([1, 3, 0]);
		expect((await ledgerTotal(bench.db, bench.kitchen.id, entriesOf(id))).money).toBe('19.50');
		const listed = await salesOfBatch(bench.db, bench.kitchen.id, id);
		expect(listed.find((each) => each.id === sale.id)).toMatchObject({ returned: 0, voided: false });
	});

	it('only what was sold comes back, and nothing of what is voided', async () => {
		const id = await fourPacks('Not back');
		const [gift, sale] = [entry(id, { kind: 'gift' }), entry(id)];
		for (const each of [gift, sale]) await keep(each);
		const back = (ofId: string) => keep(entry(id, { kind: 'return', ofId, reason: 'x' }));
		await expect(back(gift.id)).rejects.toThrow('only packs that were sold');
		await voidSale(bench.db, bench.kitchen.id, sale.id, 'slip');
		await expect(back(sale.id)).rejects.toThrow('this sale is voided');
		await expect(back(newId())).rejects.toThrow('this sale is not here');
	});

	it('a till’s entries are answered each for itself, and kept once however often they are sent', async () => {
		const id = await fourPacks('Till');
		const sent = [entry(id, { packs: 3 }), entry(id, { packs: 2 }), entry(id)];
		const answers = () => keepSales(bench.db, bench.kitchen.id, sent);
		const [first] = await Promise.all([answers(), answers()]);
		expect(first?.map((answer) => answer.kept)).toEqual([true, false, true]);
		expect((await answers()).map((answer) => answer.kept)).toEqual([true, false, true]);
		expect(await counts(id)).toEqual([0, 4, 0]);
	});

	it('what is owed is paid once, as one', async () => {
		const [one, other] = [await fourPacks('Owed one'), await fourPacks('Owed other')];
		const checkoutId = newId();
		const owed = { checkoutId, paidBy: 'owed' as const, customer: 'the choir' };
		await keep(entry(one, { ...owed, packs: 2 }));
		const slip = entry(other, owed);
		await keep(slip);
		await keep(entry(other, { ...owed, price: '0.05' }));
		await voidSale(bench.db, bench.kitchen.id, slip.id, 'not theirs');
		// 2 · 6.50 + 0.05
		expect(await owedNow(bench.db, bench.kitchen.id)).toEqual([
			{ checkoutId, customer: 'the choir', soldOn: '2026-03-02', channel: 'door', packs: 3, amount: '13.05' }
		]);
		const pay = () =>
			payOwed(bench.db, bench.kitchen.id, { checkoutId, paidBy: 'cash', paidOn: '2026-03-09' });
		const both = await Promise.allSettled([pay(), pay()]);
		expect(both.filter((each) => each.status === 'fulfilled')).toHaveLength(1);
		expect(await owedNow(bench.db, bench.kitchen.id)).toEqual([]);
	});
});

describe('the ledger', () => {
	it('adds up to the cent, voids taken back, by place', async () => {
		const id = await fourPacks('Totals');
		const sale = newId();
		await sell(id, 1, { price: '0.1', channel: 'market' });
		await sell(id, 1, { price: '0.2', channel: 'market' });
		await sell(id, 2, { price: '6.55', channel: 'door', id: sale });
		await voidSale(bench.db, bench.kitchen.id, sale, 'mistake');
		expect(await ledgerTotal(bench.db, bench.kitchen.id, entriesOf(id))).toEqual({
			packs: 2,
			given: 0,
			money: '0.30',
			entries: 4
		});
		expect(await ledgerSplit(bench.db, bench.kitchen.id, entriesOf(id), 'channel')).toEqual([
			{ key: 'market', name: 'market', packs: 2, given: 0, money: '0.30', entries: 2 },
			{ key: 'door', name: 'door', packs: 0, given: 0, money: '0.00', entries: 2 }
		]);
	});

	it('is filtered by days, product, place, kind and way of paying, in the order asked for', async () => {
		const id = await fourPacks('Filtered');
		const cheap = entry(id, { soldOn: '2026-03-04', channel: 'market', price: '1.00', paidBy: 'card' });
		const dear = entry(id, { soldOn: '2026-03-05', price: '9.00' });
		const gift = entry(id, { soldOn: '2026-03-06', kind: 'gift' });
		for (const each of [cheap, dear, gift]) await keep(each);
		const ask = async (more: Partial<LedgerFilter>, sort: 'newest' | 'oldest' | 'largest' = 'newest') =>
			(await ledgerPage(bench.db, bench.kitchen.id, { ...entriesOf(id), ...more }, { sort, most: 10 })).map(
				(sale) => sale.id
			);
		expect(await ask({})).toEqual([gift.id, dear.id, cheap.id]);
		expect(await ask({}, 'oldest')).toEqual([cheap.id, dear.id, gift.id]);
		expect(await ask({}, 'largest')).toEqual([dear.id, cheap.id, gift.id]);
		// Both days of a span are in it.
		expect(await ask({ from: '2026-03-04', to: '2026-03-05' })).toEqual([dear.id, cheap.id]);
		expect(await ask({ from: '2026-03-05', to: '2026-03-05' })).toEqual([dear.id]);
		expect(await ask({ channel: 'market' })).toEqual([cheap.id]);
		expect(await ask({ kind: 'gift' })).toEqual([gift.id]);
		expect(await ask({ paidBy: 'card' })).toEqual([cheap.id]);
		const page = await ledgerPage(bench.db, bench.kitchen.id, entriesOf(id), { most: 1, offset: 1 });
		expect(page.map((sale) => sale.id)).toEqual([dear.id]);
	});

	it('whatever happens: the totals are the sum of the lines, split any way, and no pack is lost', async () => {
		const id = await fourPacks('Any order');
		const step = fc.record({
			kind: fc.constantFrom('sale', 'gift', 'sample', 'written off', 'void', 'return' as const),
			packs: fc.integer({ min: 1, max: 3 }),
			price: fc.nat(2000).map((cents) => (cents / 100).toFixed(2)),
			channel: fc.constantFrom('a', 'b'),
			thrownAway: fc.boolean(),
			pick: fc.nat()
		});
		const made = (await getBatch(bench.db, bench.kitchen, id)).packsMade;
		await fc.assert(
			fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 8 }), async (steps) => {
				for (const { pick, ...each } of steps) {
					const known = await salesOfBatch(bench.db, bench.kitchen.id, id);
					const ofId = ['void', 'return'].includes(each.kind)
						? (known[pick % Math.max(1, known.length)]?.id ?? null)
						: null;
					// What cannot be is refused, and must leave no trace.
					await keep(entry(id, { ...each, ofId, reason: 'why' })).catch((error: unknown) => {
						if (!(error instanceof Refused)) throw error;
					});
				}
				const lines = await salesOfBatch(bench.db, bench.kitchen.id, id);
				const cents = lines.reduce((sum, line) => sum + BigInt(line.total.replace('.', '')), 0n);
				const { money, packs, given } = await ledgerTotal(bench.db, bench.kitchen.id, entriesOf(id));
				expect(BigInt(money.replace('.', ''))).toBe(cents);
				for (const by of ['day', 'month', 'product', 'channel', 'paid'] as const) {
					const split = await ledgerSplit(bench.db, bench.kitchen.id, entriesOf(id), by);
					expect(split.reduce((sum, group) => sum + BigInt(group.money.replace('.', '')), 0n)).toBe(cents);
				}
				expect(await counts(id)).toEqual([made - packs - given, packs, given]);
			}),
			{ numRuns: 12 }
		);
	});

	it('totals of any span are the sum of its lines, whatever of it is whole months', async () => {
		const id = await fourPacks('Any span');
		const days = ['2027-01-31', '2027-02-01', '2027-02-28', '2027-03-15'];
		for (const [index, soldOn] of days.entries()) await keep(entry(id, { soldOn, price: `1.0${index}` }));
		const ends = [
			'2027-01-01',
			'2027-01-31',
			'2027-02-01',
			'2027-02-15',
			'2027-02-28',
			'2027-03-15',
			'2027-03-31',
			null
		];
		for (const from of ends)
			for (const to of ends) {
				const filter = { ...entriesOf(id), from, to };
				const lines = await ledgerPage(bench.db, bench.kitchen.id, filter, { most: 10 });
				const cents = lines.reduce((sum, line) => sum + Math.round(Number(line.total) * 100), 0);
				const total = await ledgerTotal(bench.db, bench.kitchen.id, filter);
				expect(Number(total.money) * 100, `${from} to ${to}`).toBeCloseTo(cents, 6);
				expect(total.entries, `${from} to ${to}`).toBe(lines.length);
			}
		// What the database keeps of a month is not typed in by anybody.
		const month = await ledgerSplit(bench.db, bench.kitchen.id, entriesOf(id), 'month');
		expect(month.map(({ key, money }) => [key, money])).toEqual([
			['2027-01', '1.00'],
			['2027-02', '2.03'],
			['2027-03', '1.03']
		]);
	});

	it('sales of many batches at once, in any order, wait for each other and are all kept', async () => {
		const batches = [await fourPacks('Crowd one'), await fourPacks('Crowd other')];
		const sent = batches.flatMap((id) => [entry(id), entry(id), entry(id)]);
		const answers = await Promise.all(sent.map((each) => keepSales(bench.db, bench.kitchen.id, [each])));
		expect(answers.flat().every((answer) => answer.kept)).toBe(true);
		for (const id of batches) expect(await counts(id)).toEqual([1, 3, 0]);
	});

	it('a calendar year stands against its limit, voids taken back and other years left out', async () => {
		const id = await fourPacks('Limited');
		const voided = newId();
		await sell(id, 2, { soldOn: '2031-12-31', price: '10.00' });
		await sell(id, 1, { soldOn: '2031-12-31', price: '5.00', id: voided });
		await voidSale(bench.db, bench.kitchen.id, voided, 'mistake');
		await sell(id, 1, { soldOn: '2032-01-01', price: '10.00' });
		const year = (day: string, limit: string | null) => yearOfSales(bench.db, bench.kitchen.id, day, limit);
		expect(await year('2031-12-31', '20.00')).toMatchObject({ year: '2031', money: '20.00', left: '0.00' });
		expect((await year('2031-12-31', '19.99')).left).toBe('-0.01');
		expect(await year('2032-01-01', null)).toMatchObject({ money: '10.00', left: null });
		expect((await year('2033-01-01', '20.00')).pace).toBeNull();
		// One of 31 December that came in during January counts in December's year, and that is said while it is January.
		const ended = (day: string, limit: string | null) =>
			yearThatEnded(bench.db, bench.kitchen.id, day, limit);
		expect(await ended('2032-01-05', '19.99')).toMatchObject({ year: '2031', money: '20.00', left: '-0.01' });
		expect(await ended('2032-01-05', '20.00')).toBeNull();
		expect(await ended('2032-02-01', '19.99')).toBeNull();
		expect(await ended('2032-01-05', null)).toBeNull();
	});

	it('the CSV reads back, commas and quotes and all, and nothing in it runs', async () => {
		const id = await fourPacks('Comma, "quote"');
		await sell(id, 1, { channel: '=HYPERLINK("x")' });
		const sales = [];
		for await (const sale of everySale(bench.db, bench.kitchen.id, entriesOf(id))) sales.push(sale);
		const csv = `${salesCsvHead()}\r\n${salesCsvRows(sales, 'USD', true)}`;
		const { data } = Papa.parse<Record<string, string>>(csv, { header: true });
		expect(data).toEqual([
			{
				id: sales[0]?.id,
				date: '2026-03-02',
				kind: 'sale',
				channel: '\'=HYPERLINK("x")',
				product: 'Comma, "quote"',
				pieces_per_pack: '6',
				batch: expect.stringMatching(/^260301-\d+$/) as string,
				packs: '1',
				price: '6.50',
				total: '6.50',
				currency: 'USD',
				paid_by: '',
				customer: '',
				of: '',
				void: '',
				reason: ''
			}
		]);
	});
});
