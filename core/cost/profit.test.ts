import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Money, sumMoney } from './money.ts';
import { batchProfit, feeOfDay, feesByBatch, sellingDays, type DayOfBatch } from './profit.ts';
import { NO_FEE } from './selling.ts';
import type { WholeCost } from './whole.ts';

const cost: WholeCost = {
	parts: [
		{ part: 'ingredients', batch: '6.51', perPiece: '0.1162', perPack: '0.93' },
		{ part: 'materials', batch: '1.05', perPiece: null, perPack: '0.15' },
		{ part: 'energy', batch: '0.46', perPiece: '0.0082', perPack: '0.07' },
		{ part: 'labour', batch: '14.00', perPiece: '0.2500', perPack: '2.00' }
	],
	batch: '22.02',
	perPiece: '0.3744',
	perPack: '3.15'
};
const entry = (more: Partial<DayOfBatch> = {}): DayOfBatch => ({
	batchId: 'a',
	day: '2026-04-04',
	channel: 'Market',
	packs: 4,
	given: 0,
	money: '26.00',
	...more
});
const stall = { perDay: '12.00', share: 0.1 };
const known = (id: string) => (id === 'unknown' ? null : cost);

describe('profit of a selling day', () => {
	it('is what was taken, less what the packs cost and what the place takes', () => {
		const [day] = sellingDays(
			[entry(), entry({ batchId: 'b', packs: 2, money: '13.00', given: 1 })],
			known,
			() => stall
		);
		// 39.00 taken; 7 packs gone × (0.93 + 0.15) = 7.56, × 0.07 = 0.49, × 2.00 = 14.00; 12.00 + 3.90 for the place
		expect(day).toEqual({
			day: '2026-04-04',
			channel: 'Market',
			packs: 6,
			given: 1,
			takings: '39.00',
			materials: '7.56',
			energy: '0.49',
			labour: '14.00',
			fee: '15.90',
			// 39.00 − 7.56 − 0.49 − 14.00 − 15.90
			profit: '1.05',
			uncosted: 0
		});
	});

	it('a day at two places is two, in the order they come', () => {
		const days = sellingDays(
			[entry(), entry({ channel: 'Door' }), entry({ day: '2026-04-03' })],
			known,
			() => NO_FEE
		);
		expect(days.map(({ day, channel }) => `${day} ${channel}`)).toEqual([
			'2026-04-04 Market',
			'2026-04-04 Door',
			'2026-04-03 Market'
		]);
	});

	it('costs no stall when nothing was sold there, and what was thrown away all the same', () => {
		const [day] = sellingDays([entry({ packs: 0, given: 3, money: '0.00' })], known, () => stall);
		// 3 × 3.15
		expect(day).toMatchObject({ fee: '0.00', profit: '-9.45' });
	});

	it('packs that came back give back what they cost', () => {
		const [day] = sellingDays([entry({ packs: -1, money: '-6.50' })], known, () => NO_FEE);
		// −6.50 + 3.15
		expect(day?.profit).toBe('-3.35');
	});

	it('says how many packs are of batches whose cost nobody knows', () => {
		const [day] = sellingDays(
			[entry(), entry({ batchId: 'unknown', packs: 2, money: '13.00' })],
			known,
			() => NO_FEE
		);
		// 39.00 − 4 × 3.15
		expect(day).toMatchObject({ uncosted: 2, profit: '26.40' });
	});
});

describe('fees and profit of a batch', () => {
	it('a batch bears as much of a day’s fee as it brought of its takings', () => {
		const entries = [entry(), entry({ batchId: 'b', packs: 2, money: '13.00' }), entry({ channel: 'Door' })];
		const fees = feesByBatch(entries, (channel) => (channel === 'Market' ? stall : NO_FEE));
		// 15.90 × 26 / 39 = 10.60, × 13 / 39 = 5.30
		expect([...fees].map(([id, fee]) => [id, fee.toFixed(2)])).toEqual([
			['a', '10.60'],
			['b', '5.30']
		]);
	});

	it('fees of the batches add up to those of the days, to the cent', () => {
		const money = fc.integer({ min: 1, max: 9999 }).map((cents) => new Money(cents).div(100).toFixed(2));
		const entries = fc.array(
			fc.record({
				batchId: fc.constantFrom('a', 'b', 'c'),
				day: fc.constantFrom('2026-04-04', '2026-04-05'),
				money
			})
		);
		fc.assert(
			fc.property(entries, (given) => {
				const all = given.map((each) => entry(each));
				const days = sellingDays(all, known, () => stall);
				const borne = sumMoney([...feesByBatch(all, () => stall).values()]);
				expect(borne.toFixed(2)).toBe(sumMoney(days.map((day) => day.fee)).toFixed(2));
			})
		);
	});

	it('a batch is charged with all it cost, sold or not', () => {
		// 26.00 − 10.60 − 22.02
		expect(batchProfit('26.00', new Money('10.60'), cost)).toEqual({
			takings: '26.00',
			fees: '10.60',
			cost: '22.02',
			profit: '-6.62'
		});
		expect(batchProfit('26.00', new Money(0), null)).toMatchObject({ cost: null, profit: null });
	});

	it('a fee is the day and the share, to the cent', () => {
		// 12.00 + 0.1 × 6.55 = 12.655 → 12.66
		expect(feeOfDay(stall, '6.55', 1).toFixed(2)).toBe('12.66');
		expect(feeOfDay(stall, '0.00', 0).toFixed(2)).toBe('0.00');
	});
});
