import { listSummaries } from '$lib/server/batches/standing.ts';
import { describe, expect, it } from 'vitest';
import { NO_FEE } from '$core/cost/selling.ts';
import { wholeCost } from '$core/cost/whole.ts';
import { closeBatch } from '$lib/server/batches/close.ts';
import { getBatch, listBatches } from '$lib/server/batches/read.ts';
import { setEquipment } from '$lib/server/batches/equipment.ts';
import { keepEntries } from '$lib/server/bench/entries.ts';
import { addFee, feeOn, listFees } from '$lib/server/costs/fees.ts';
import { costPoints } from '$lib/server/costs/moves.ts';
import { profitByBatch, profitByDay, profitOfBatches } from '$lib/server/costs/profit.ts';
import { addRates, listRates, ratesOn } from '$lib/server/costs/rates.ts';
import { costedOf, wholeCosts } from '$lib/server/costs/whole.ts';
import { noteMinutes, workingOf, workingOfBatch } from '$lib/server/costs/working.ts';
import { addEquipment, listEquipment, setPower } from '$lib/server/equipment.ts';
import { NotFound } from '$lib/server/errors.ts';
import { addPricePack } from '$lib/server/shelf-keep.ts';
import { newId } from '$lib/server/rows.ts';
import { recordSale, voidSale } from '$lib/server/sales/keep.ts';
import { event, weighing } from '$core/testing/entries.ts';
import { makeRoti, recordRoti, useBench } from './kitchen.ts';

const bench = useBench();
const RATES = { validFrom: '2026-01-01', tariff_perKwh: '0.20', labour_perHour: '12.00' };

const sell = (batchId: string, soldOn: string, channel: string, packs: number, price = '6.50') =>
	recordSale(bench.db, bench.kitchen.id, newId(), { batchId, soldOn, channel, packs, price });

describe('rates and fees', () => {
	it('hold from their day on; the later word of a day stands, and none is changed', async () => {
		const { db, kitchen } = bench;
		await addRates(db, kitchen.id, { ...RATES, validFrom: '2020-01-01' });
		await addRates(db, kitchen.id, { validFrom: '2020-02-01', tariff_perKwh: '0.25', labour_perHour: null });
		await addRates(db, kitchen.id, { validFrom: '2020-02-01', tariff_perKwh: '0.26', labour_perHour: null });
		const rates = await listRates(db, kitchen.id);
		expect(ratesOn(rates, '2019-12-31')).toEqual({ tariff_perKwh: null, labour_perHour: null });
		expect(ratesOn(rates, '2020-01-31')).toMatchObject({ tariff_perKwh: '0.20', labour_perHour: '12.00' });
		expect(ratesOn(rates, '2020-02-01')).toMatchObject({ tariff_perKwh: '0.26', labour_perHour: null });
		await expect(db('cost_rates').update({ tariff_per_kwh: 1 })).rejects.toThrow(/never edited/);

		await addFee(db, kitchen.id, { channel: 'fair', validFrom: '2020-02-01', perDay: '22.00', share: 0.1 });
		const fees = await listFees(db, kitchen.id);
		expect(feeOn(fees, 'fair', '2020-01-31')).toEqual(NO_FEE);
		expect(feeOn(fees, 'fair', '2020-02-01')).toMatchObject({ perDay: '22.00', share: 0.1 });
		expect(feeOn(fees, 'door', '2020-02-01')).toEqual(NO_FEE);
		await expect(
			addFee(db, kitchen.id, { channel: 'fair', validFrom: '2020-03-01', perDay: '0', share: 1 })
		).rejects.toThrow();
	});
});

describe('the whole cost of a batch', () => {
	it('counts the minutes noted, the power of what it touched and the rates of its day', async () => {
		const { db, kitchen } = bench;
		await addRates(db, kitchen.id, RATES);
		const { productId } = await makeRoti(bench, 'Whole');
		const id = await recordRoti(bench, productId);
		const griddle = await addEquipment(db, kitchen.id, 'Whole griddle');
		const bowl = await addEquipment(db, kitchen.id, 'Whole bowl');
		await setPower(db, kitchen.id, griddle, 1.5);
		expect((await listEquipment(db, kitchen.id)).find((each) => each.id === griddle)?.power_kw).toBe(1.5);
		await setEquipment(db, kitchen.id, id, [griddle, bowl]);
		await noteMinutes(db, kitchen.id, id, { heat_min: 40, hands_min: 90 });
		const whole = (await wholeCosts(db, kitchen, [id])).get(id);
		// 1060 g of flour at 0.001 = 1.06; bag 0.11 × 4 packs
		// energy 40/60 × 1.5 × 0.20 = 0.20; labour 1.5 × 12 = 18.00
		expect(whole?.parts.map(({ part, batch }) => [part, batch])).toEqual([
			['ingredients', '1.06'],
			['materials', '0.44'],
			['energy', '0.20'],
			['labour', '18.00']
		]);
		expect(whole?.batch).toBe('19.70');
		await expect(noteMinutes(db, kitchen.id, newId(), { heat_min: 1, hands_min: 1 })).rejects.toThrow(
			NotFound
		);
	});

	it('is the same read from the closing as derived, and the minutes the bench timed are kept with it', async () => {
		const { db, kitchen } = bench;
		const { productId } = await makeRoti(bench, 'Timed', [
			{ kind: 'rest', text: 'rest', minutesLow: 20, minutesHigh: 30, temperature_c: null, cue: '' }
		]);
		const id = await recordRoti(bench, productId);
		const at = (time: string) => ({ at: `2026-01-01T${time}:00.000Z` });
		await keepEntries(db, kitchen, id, [
			weighing({ what: 'ball', grams: 60, ...at('09:00') }),
			event({ name: 'step begun', step: 0 }, at('09:10')),
			event({ name: 'step ended', step: 0 }, at('09:40')),
			event({ name: 'pieces on', count: 2 }, at('10:00')),
			event({ name: 'pieces done', count: 2 }, at('10:30'))
		]);
		// 09:00–10:30 less 30 of rest
		expect(await workingOfBatch(db, kitchen.id, id)).toMatchObject({ heat_min: 30, hands_min: 60 });
		const batch = await getBatch(db, kitchen, id);
		const costed = costedOf(batch);
		await closeBatch(db, kitchen, id, batch.version, 'as it is');
		const working = (await workingOf(db, kitchen.id, [id])).get(id);
		expect(working).toMatchObject({ heat_min: 30, hands_min: 60 });
		const rates = ratesOn(await listRates(db, kitchen.id), batch.madeOn);
		expect((await wholeCosts(db, kitchen, [id])).get(id)).toEqual(
			costed && working && wholeCost(costed, working, rates)
		);
	});
});

describe('profit', () => {
	it('of a day and of a batch, with the fees of the place and what was taken back', async () => {
		const { db, kitchen } = bench;
		const [a, b] = [
			await recordRoti(bench, (await makeRoti(bench, 'Profit A')).productId),
			await recordRoti(bench, (await makeRoti(bench, 'Profit B')).productId)
		];
		await addFee(db, kitchen.id, { channel: 'green', validFrom: '2026-01-01', perDay: '6.00', share: 0 });
		await sell(a, '2026-01-05', 'green', 2);
		await sell(b, '2026-01-05', 'green', 1);
		await sell(a, '2026-01-06', 'porch', 1);
		const slip = newId();
		await recordSale(db, kitchen.id, slip, {
			batchId: b,
			soldOn: '2026-01-05',
			channel: 'green',
			packs: 1,
			price: '6.50'
		});
		await voidSale(db, kitchen.id, slip, 'twice');
		const days = await profitByDay(db, kitchen, { from: '2026-01-05', to: '2026-01-06' });
		// a pack: 1.06 / 24 × 6 = 0.265 + 0.11 → 0.38
		expect(days.filter(({ channel }) => ['green', 'porch'].includes(channel))).toMatchObject([
			{
				day: '2026-01-06',
				channel: 'porch',
				packs: 1,
				takings: '6.50',
				materials: '0.38',
				fee: '0.00',
				profit: '6.12'
			},
			// 19.50 − 3 × 0.38 − 6.00
			{
				day: '2026-01-05',
				channel: 'green',
				packs: 3,
				takings: '19.50',
				materials: '1.14',
				fee: '6.00',
				profit: '12.36'
			}
		]);
		const of = await profitOfBatches(db, kitchen, [a, b]);
		// 6.00 × 13 / 19.50 = 4.00; 19.50 − 4.00 − (1.06 + 0.44)
		expect(of.get(a)).toMatchObject({
			sold: 3,
			takings: '19.50',
			fees: '4.00',
			cost: '1.50',
			profit: '14.00'
		});
		expect(of.get(b)).toMatchObject({ sold: 1, takings: '6.50', fees: '2.00', profit: '3.00' });
		const list = await profitByBatch(db, kitchen, { from: '2026-01-01', to: '2026-01-01' });
		expect(list.find((batch) => batch.id === a)).toMatchObject({
			product: 'Profit A × 6',
			packsMade: 4,
			packsLeft: 1
		});
		expect(await profitByBatch(db, kitchen, { from: '1999-01-01', to: '1999-12-31' })).toEqual([]);
	});
});

describe('how the cost of a piece moved', () => {
	it('is read off the batches of a formula, the oldest first', async () => {
		const { db, kitchen } = bench;
		const { productId, formulaId, flour } = await makeRoti(bench, 'Moving');
		const first = await recordRoti(bench, productId);
		const before = await getBatch(db, kitchen, first);
		await closeBatch(db, kitchen, first, before.version, 'as it is');
		await addPricePack(db, kitchen.id, flour, {
			amount: '36.00',
			grams: 24000,
			usable: 1,
			boughtOn: '2026-01-01',
			supplier: 'mill'
		});
		await recordRoti(bench, productId);
		const newest = { formulaId, newest: 5 };
		const points = costPoints(
			await listBatches(db, kitchen, newest),
			await listSummaries(db, kitchen, newest),
			() => ''
		);
		// 1060 g / 24 at 0.001, then at 0.0015: 0.0442 → 0.0663, all of it price
		expect(points.map(({ perPiece }) => perPiece)).toEqual(['0.0442', '0.0663']);
		expect(points[0]?.moved).toBeNull();
		expect(points[1]?.moved).toMatchObject({
			change: '0.0221',
			price: '0.0221',
			yield: '0.0000',
			uptake: '0.0000'
		});
	});
});
